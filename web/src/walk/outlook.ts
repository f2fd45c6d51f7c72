import type { S } from '../api/client';

/** How likely something is up, in words; not known is said. */
export function upWords(p: number): string {
  if (p < 0) return 'no months in the guide';
  if (p >= 0.8) return 'up';
  if (p >= 0.4) return 'likely up';
  if (p >= 0.1) return 'may be up';
  return 'hardly up';
}

/** Dangers in three heaps: named for what is hoped for, others that may be up, and the rest that shares the ground. Nobody is left out. */
export function heaps(dangers: S['DangerLine'][]): {
  named: S['DangerLine'][];
  up: S['DangerLine'][];
  rest: S['DangerLine'][];
} {
  const named = dangers.filter((d) => d.named.length > 0);
  const others = dangers.filter((d) => d.named.length === 0);
  return { named, up: others.filter((d) => d.p < 0 || d.p >= 0.1), rest: others.filter((d) => d.p >= 0 && d.p < 0.1) };
}

/** A packing list: what the plan asks for, less what was left on purpose; what is packed is ticked. */
export const toPack = (o: S['Outlook']): { line: S['KitLine']; packed: boolean }[] =>
  o.kit
    .filter((k) => !(o.walk.left ?? []).includes(k.id))
    .map((line) => ({ line, packed: (o.walk.packed ?? []).includes(line.id) }));
