import { fungusPieces } from './fungus';
import type { Piece, Seen } from './piece';
import { plantPieces } from './plant';

export { standing, type Piece, type Seen } from './piece';

/** The pieces of a specimen, drawn from described states alone. */
export const specimenPieces = (kingdom: string, see: Seen): Piece[] =>
  kingdom === 'fungus' ? fungusPieces(see) : plantPieces(see);
