import type { S } from '../api/client';

/** A sign as it is being typed. */
export type SignDraft = {
  kind: S['Sign']['kind'];
  from: string;
  to: string;
  sd: string;
  rain: string;
  within: string;
  below: string;
  feast: string;
};

export const signDefaults: SignDraft = {
  kind: 'rain',
  from: '7',
  to: '21',
  sd: '4',
  rain: '20',
  within: '7',
  below: '0',
  feast: '2026-04-23',
};

/** A number as it was typed, with a comma or a point; what is none is sent as it is not, so that it is asked about. */
const number = (text: string): number => Number(text.trim().replace(',', '.').replace('−', '-')) || 0;

/** The sign to be kept: only the amounts that its kind knows. */
export function signOf(d: SignDraft, id: string, taxon: string, place: string, other?: string): S['Sign'] {
  const base = {
    id,
    taxon,
    place: place || undefined,
    kind: d.kind,
    from: Math.round(number(d.from)),
    to: Math.round(number(d.to)),
    sd: number(d.sd),
  };
  switch (d.kind) {
    case 'rain':
      return { ...base, rain: number(d.rain), within: Math.round(number(d.within)) };
    case 'frost':
      return { ...base, below: number(d.below) };
    case 'flower':
      return { ...base, of: other ?? '' };
    case 'feast':
      return { ...base, feast: d.feast.slice(5) };
    default:
      return base;
  }
}
