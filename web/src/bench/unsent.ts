import type { NewLine } from '../api/client';

/** Lines that are not stored yet, in the order in which they were entered. */
export type Queue = readonly NewLine[];

/** Adds a line; its key makes it one line however often it is added. */
export const put = (q: Queue, line: NewLine): Queue => (q.some((l) => l.key === line.key) ? q : [...q, line]);

/** Takes a line out, stored or refused. */
export const drop = (q: Queue, key: string): Queue => q.filter((l) => l.key !== key);

/** The traits of a specimen that have an answer waiting: they are not asked again. */
export const waitingTraits = (q: Queue, specimen: string): Set<string> =>
  new Set(q.filter((l) => l.specimen === specimen && l.body.answer).map((l) => l.body.answer!.trait));

/** How long to wait before the next attempt, in milliseconds, after so many that failed. */
export const pause = (failed: number): number => Math.min(15_000, 1000 * 2 ** Math.max(0, failed - 1));

/** Whether a line that came back with this status may go through later; anything else is refused for good. */
export const worthAgain = (status: number): boolean =>
  status === 0 || status >= 500 || status === 429 || status === 408;

const prefix = (find: string) => `unsent ${find} `;

type Keep = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

/** What one page keeps under its own name: two pages on one find must not write over each other. */
function read(keep: Keep, name: string): Queue {
  try {
    const list: unknown = JSON.parse(keep.getItem(name) ?? '[]');
    return Array.isArray(list)
      ? list.filter(
          (l): l is NewLine =>
            typeof l === 'object' &&
            l !== null &&
            typeof (l as NewLine).key === 'string' &&
            typeof (l as NewLine).kind === 'string',
        )
      : [];
  } catch {
    return [];
  }
}

/**
 * What earlier or other pages left unsent, taken over by this one. A line that two
 * pages send is stored once, by its key. What can’t be read is left where it is.
 */
export function load(keep: Keep, find: string, page: string): Queue {
  const names = Array.from({ length: keep.length }, (_, i) => keep.key(i)).filter(
    (n): n is string => n !== null && n.startsWith(prefix(find)),
  );
  let all: Queue = [];
  const taken: string[] = [];
  for (const n of names) {
    const q = read(keep, n);
    if (q.length > 0) taken.push(n);
    all = q.reduce(put, all);
  }
  if (save(keep, find, page, all)) taken.filter((n) => n !== prefix(find) + page).forEach((n) => keep.removeItem(n));
  return all;
}

/** Keeps what is unsent through a reload. Returns false when the browser keeps nothing. */
export function save(keep: Keep, find: string, page: string, q: Queue): boolean {
  try {
    if (q.length === 0) keep.removeItem(prefix(find) + page);
    else keep.setItem(prefix(find) + page, JSON.stringify(q));
    return true;
  } catch {
    return false;
  }
}

/** What goes wrong when a line is sent: whether it may go through later, and in words. */
export type Failure = { status: number };

export type OutboxState<P extends Failure> = { queue: Queue; sending: boolean; problem?: P; refused?: P };

/**
 * Sends lines one by one, in order, each until it is stored or refused. While the
 * program does not answer they wait, here and through a reload, and go out when it
 * answers again. `send` resolves when a line is stored and rejects with a failure.
 */
export class Outbox<P extends Failure> {
  state: OutboxState<P>;
  private running = false;
  private failed = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private after = new Map<string, () => void>();
  private heard = new Set<() => void>();

  constructor(
    private readonly find: string,
    private readonly keep: Keep,
    private readonly page: string,
    private readonly send: (line: NewLine) => Promise<unknown>,
    private readonly later: (run: () => void, ms: number) => ReturnType<typeof setTimeout> = (run, ms) =>
      setTimeout(run, ms),
  ) {
    this.state = { queue: load(keep, find, page), sending: false };
  }

  subscribe = (hear: () => void) => {
    this.heard.add(hear);
    return () => void this.heard.delete(hear);
  };

  private set(change: Partial<OutboxState<P>>) {
    this.state = { ...this.state, ...change };
    if (change.queue) save(this.keep, this.find, this.page, change.queue);
    this.heard.forEach((h) => h());
  }

  /** Puts a line at the end and sends what can be sent. */
  add = (line: NewLine, then?: () => void) => {
    if (then) this.after.set(line.key, then);
    this.set({ queue: put(this.state.queue, line) });
    void this.pump();
  };

  /** Takes a line back that was never stored. */
  takeBack = (key: string) => {
    const queue = drop(this.state.queue, key);
    this.set(queue.length === 0 ? { queue, problem: undefined } : { queue });
  };

  /** The refusal has been read. */
  forget = () => this.set({ refused: undefined });

  /** Sends now what waits. */
  pump = async (): Promise<void> => {
    if (this.running) return;
    clearTimeout(this.timer);
    this.running = true;
    for (let line = this.state.queue[0]; line; line = this.state.queue[0]) {
      this.set({ sending: true });
      try {
        await this.send(line);
        this.failed = 0;
        this.set({ queue: drop(this.state.queue, line.key), problem: undefined, refused: undefined });
        this.after.get(line.key)?.();
      } catch (e) {
        const problem = e as P;
        if (worthAgain(problem.status)) {
          this.failed++;
          this.set({ problem });
          this.timer = this.later(() => void this.pump(), pause(this.failed));
          break;
        }
        this.set({ queue: drop(this.state.queue, line.key), refused: problem });
      }
    }
    this.running = false;
    this.set({ sending: false });
  };
}
