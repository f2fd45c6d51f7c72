export type Counts = Readonly<Record<string, number>>;
export type TallyState = { counts: Counts; past: readonly Counts[]; sending: boolean; problem?: unknown };

/**
 * Counts pieces by band, as fast as keys are pressed. One request is on its way at a
 * time, always with the newest counts, so that no later one is overtaken by an
 * earlier one.
 */
export class Tally {
  state: TallyState;
  private heard = new Set<() => void>();
  private sent: Counts;

  constructor(
    start: Counts,
    private readonly send: (counts: Counts) => Promise<unknown>,
  ) {
    this.sent = start;
    this.state = { counts: start, past: [], sending: false };
  }

  subscribe = (hear: () => void) => {
    this.heard.add(hear);
    return () => void this.heard.delete(hear);
  };

  private set(x: Partial<TallyState>) {
    this.state = { ...this.state, ...x };
    this.heard.forEach((h) => h());
  }

  add = (band: string) => {
    const { counts, past } = this.state;
    this.set({ counts: { ...counts, [band]: (counts[band] ?? 0) + 1 }, past: [...past, counts] });
    void this.pump();
  };

  undo = () => {
    const { past } = this.state;
    const was = past.at(-1);
    if (!was) return;
    this.set({ counts: was, past: past.slice(0, -1) });
    void this.pump();
  };

  /** Sends what was not sent yet; what is refused or lost stays counted here, and goes out with the next press. */
  pump = async (): Promise<void> => {
    if (this.state.sending) return;
    this.set({ sending: true, problem: undefined });
    try {
      while (this.sent !== this.state.counts) {
        const counts = this.state.counts;
        await this.send(counts);
        this.sent = counts;
      }
      this.set({ sending: false });
    } catch (problem) {
      this.set({ sending: false, problem });
    }
  };
}
