import type { Mark } from '../marks';

/** The state that was seen, or is usual, of a trait; nothing when nobody looked. */
export type Seen = (trait: string) => string | undefined;

/**
 * One piece of a specimen on its 320 × 420 plate. It is a guess, drawn as a
 * faint dotted outline, until the traits that give it its form are read; with
 * some of them it is pencilled, with all of them inked.
 */
export type Piece = {
  part: string;
  /** The traits whose states give the piece its form. */
  form: string[];
  marks: Mark[];
  /** So plain that any reading of the part may ink it: it says nothing of form. */
  plain?: boolean;
  /** Where a drawing on the tile's 48 × 48 grid is placed: its corner and scale. */
  at?: [x: number, y: number, scale: number];
  /** Drawn only when it was seen: hairs, spots, rings of scales. */
  extra?: boolean;
};

export const num = (v: number): number => Number(v.toFixed(1));

/** A piece whose marks are a tile, placed. */
export const tile = (
  part: string,
  trait: string,
  marks: Mark[],
  x: number,
  y: number,
  scale: number,
  extra = false,
): Piece => ({ part, form: [trait], marks, at: [x, y, scale], extra });

/** What stands of a piece, given which traits are read: nothing, a part of its form, or all of it. */
export function standing(piece: Piece, read: (trait: string) => boolean): 'guess' | 'pencil' | 'ink' {
  const n = piece.form.filter(read).length;
  return n === 0 ? 'guess' : n < piece.form.length ? 'pencil' : 'ink';
}
