/** A browser’s storage, or one that keeps nothing. */
export class Kept {
  constructor(
    readonly full = false,
    readonly map = new Map<string, string>(),
  ) {}
  getItem = (k: string) => this.map.get(k) ?? null;
  setItem = (k: string, v: string) => {
    if (this.full) throw new Error('full');
    this.map.set(k, v);
  };
  removeItem = (k: string) => void this.map.delete(k);
  key = (i: number) => [...this.map.keys()][i] ?? null;
  get length() {
    return this.map.size;
  }
}
