import { pause, worthAgain } from '../bench/unsent';
import type { S } from '../api/client';
import { blank, isBlank, read, rebased, together, write, type Entry, type Incident } from './draft';

type Failure = { status: number; message: string; fields: string[] };
type View = S['IncidentView'];
type Keep = Parameters<typeof write>[0];

export type DeskState = Entry & { keeps: boolean; sending: boolean; problem?: Failure; theirs?: Incident };

/**
 * Takes an incident down. Every change is kept on this machine at once and sent a
 * moment later; while the program does not answer it waits here, through a reload,
 * and goes out when it answers again. Nothing of it is ever dropped.
 */
export class Desk {
  state: DeskState;
  private heard = new Set<() => void>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private failed = 0;

  constructor(
    private readonly id: string,
    private readonly keep: Keep,
    private readonly send: (doc: Incident) => Promise<View>,
    private readonly fetch: (id: string) => Promise<View>,
    private readonly later: (run: () => void, ms: number) => ReturnType<typeof setTimeout> = (run, ms) =>
      setTimeout(run, ms),
  ) {
    this.state = { ...(read(keep, id) ?? { doc: blank(id), stored: true }), keeps: true, sending: false };
  }

  subscribe = (hear: () => void) => {
    this.heard.add(hear);
    return () => void this.heard.delete(hear);
  };

  private set(x: Partial<DeskState>) {
    this.state = { ...this.state, ...x };
    const { doc, stored, view } = this.state;
    if (!isBlank(doc)) this.state.keeps = write(this.keep, { doc, stored, ...(view ? { view } : {}) });
    this.heard.forEach((h) => h());
  }

  /** Looks how it stands on the other side, unless something here waits to be sent. */
  open = async (): Promise<void> => {
    if (!this.state.stored) return this.pump();
    try {
      const view = await this.fetch(this.id);
      if (this.state.stored) this.set({ doc: view.incident, view, problem: undefined });
    } catch {
      // It is new, or nothing answers: what is kept here stands.
    }
  };

  change = (f: (doc: Incident) => Incident) => {
    this.set({ doc: f(this.state.doc), stored: false });
    clearTimeout(this.timer);
    this.timer = this.later(() => void this.pump(), 500);
  };

  pump = async (): Promise<void> => {
    const { doc, stored, sending } = this.state;
    if (stored || sending || isBlank(doc)) return;
    clearTimeout(this.timer);
    this.set({ sending: true });
    try {
      const view = await this.send(doc);
      this.failed = 0;
      const same = this.state.doc === doc;
      this.set({
        view,
        sending: false,
        stored: same,
        problem: undefined,
        theirs: undefined,
        doc: same ? view.incident : rebased(this.state.doc, doc, view.incident),
      });
      if (!same) await this.pump();
    } catch (e) {
      const problem = e as Failure;
      this.set({ sending: false, problem });
      if (problem.status === 409) {
        try {
          this.set({ theirs: (problem as Failure & { now?: Incident }).now ?? (await this.fetch(this.id)).incident });
        } catch {
          // The next attempt asks again.
        }
      } else if (worthAgain(problem.status)) {
        this.failed++;
        this.timer = this.later(() => void this.pump(), pause(this.failed));
      }
    }
  };

  /** What stands here and what was stored from another screen are put together. */
  both = () => {
    const { theirs } = this.state;
    if (!theirs) return;
    this.set({ theirs: undefined, problem: undefined });
    this.change((doc) => together(doc, theirs));
  };

  /** What was stored from another screen takes the place of what stands here. */
  yours = () => {
    const { theirs } = this.state;
    if (theirs) this.set({ doc: theirs, stored: true, theirs: undefined, problem: undefined });
  };
}
