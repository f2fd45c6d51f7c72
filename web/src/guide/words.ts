import type { S } from '../api/client';

/** The fixed words of the grades. */
export const grades = ['no hazard noted', 'unpleasant', 'poisonous', 'deadly'] as const;
export const monthNames = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;
const short = monthNames.map((m) => m.slice(0, 3));

/** Months of a window as spans, over New Year if need be: Nov–Feb. */
export function spans(months: number[]): string {
  const on = new Set(months);
  if (on.size === 0) return '';
  if (on.size === 12) return 'all year';
  const out: string[] = [];
  for (let m = 1; m <= 12; m++) {
    if (!on.has(m) || on.has(((m + 10) % 12) + 1)) continue;
    let end = m;
    while (on.has((end % 12) + 1)) end = (end % 12) + 1;
    out.push(end === m ? short[m - 1]! : `${short[m - 1]}–${short[end - 1]}`);
  }
  return out.join(', ');
}

/** What one variant of a cell says. */
export function variantWords(v: S['VariantLine']): string {
  if (v.kind === 'inapplicable') return 'the part is lacking';
  if (v.kind === 'unknown') return `unknown: ${v.why}`;
  if (v.range.length === 4) return `${v.range[1]}–${v.range[2]} ${v.unit}, at the extremes ${v.range[0]}–${v.range[3]}`;
  return ['always', 'usually', 'sometimes', 'rarely', 'never']
    .filter((f) => v.by[f])
    .map((f) => `${f} ${v.by[f]!.join(', ')}`)
    .join('; ');
}

/** What a trait is worth between a target and one other entry, in words and with a mark that needs no colour. */
export const worths: Record<string, { word: string; mark: string; weighs?: boolean }> = {
  strong: { word: 'strong evidence', mark: '◆', weighs: true },
  fair: { word: 'fair evidence', mark: '▲', weighs: true },
  reverse: { word: 'rules this out', mark: '▽' },
  slight: { word: 'slight', mark: '△', weighs: true },
  shared: { word: 'shared: worth nothing', mark: '=' },
  silent: { word: 'not said', mark: '·' },
};

/** Where an entry comes from; nothing for what ships. */
export function originWords(origin: string | undefined): string {
  return origin === 'yours' ? 'your own entry' : origin === 'corrected' ? 'corrected by you' : '';
}

export const plain = (s: string): string => s.replaceAll('-', ' ');
