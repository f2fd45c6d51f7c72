import type { S } from '../api/client';

export const topics: Record<string, string> = {
  allergies: 'Allergies, of food or skin',
  illnesses: 'Illnesses',
  medicines: 'Medicines',
  pregnancy: 'Pregnancy or nursing',
  diet: 'Diet and drink',
};

export const flip = (list: string[], v: string): string[] =>
  list.includes(v) ? list.filter((x) => x !== v) : [...list, v];

/** A name as an id: letters, figures and dashes, unlike any that is there. */
export function idFor(name: string, taken: string[]): string {
  const base =
    name
      .normalize('NFD')
      .replace(/[\u0300-\u036f]/g, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 30) || 'someone';
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!taken.includes(id)) return id;
  }
}

export const nobody = (): S['Profile'] => ({
  colourDiffers: false,
  smellWeak: false,
  facts: [],
  answered: [],
  signOffs: [],
});
