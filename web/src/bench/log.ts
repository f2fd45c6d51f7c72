import type { S, Trait } from '../api/client';

/** One line of the log in words. */
export function lineWords(l: S['Line'], traits: Map<string, Trait>): string {
  const a = l.body.answer;
  const t = traits.get(a?.trait ?? '');
  const states = (a?.states ?? []).map((s) => t?.states.find((x) => x.id === s)?.label ?? s).join(', ');
  switch (l.kind) {
    case 'answered':
      return `${t?.name ?? a?.trait}: ${a?.kind === 'seen' ? states : a?.kind === 'measured' ? `${a.value} ${t?.unit}` : `${a?.kind.replaceAll('-', ' ')} ${states}`}`;
    case 'staged':
      return `Stage: ${l.body.stages?.join(', ')}`;
    case 'clean-hands':
      return l.body.on === 'gloves' ? 'Fresh gloves on' : l.body.on === 'blade' ? 'Blade wiped clean' : 'Hands cleaned';
    case 'handled':
      return `Handled something that smells of ${l.body.smell}, with the ${l.body.on || 'hands'}`;
    case 'picked':
      return 'Picked';
    case 'noted':
      return `Note: ${l.body.note?.replaceAll('-', ' ')}`;
    default:
      return `Took back line ${l.body.undoes}`;
  }
}
