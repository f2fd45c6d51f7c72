/**
 * One key for one content: what is sent again because the answer was lost goes out
 * under the key of the first time; what was changed is something else.
 */
export class Keys {
  private readonly open = new Map<string, string>();
  constructor(private readonly fresh: () => string) {}

  of(what: unknown): string {
    const text = JSON.stringify(what);
    const key = this.open.get(text) ?? this.fresh();
    this.open.set(text, key);
    return key;
  }

  /** It was stored: the same again, later, is a new one. */
  done(what: unknown): void {
    this.open.delete(JSON.stringify(what));
  }
}
