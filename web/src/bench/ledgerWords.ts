import type { S } from '../api/client';
import { grades } from '../guide/words';

type Entry = Pick<S['Entry'], 'grade' | 'gradeWord' | 'weight' | 'need' | 'words' | 'missing'>;

/**
 * The words of an entry of the ledger. The bench is sent them for the entries at the head
 * only; for the others they say what grade, weight and need say.
 */
export const gradeOf = (e: Entry): string => e.gradeWord ?? grades[e.grade] ?? '';
export const weightOf = (e: Entry): string => e.words ?? `${Math.floor(Math.max(0, e.weight))} of ${e.need}`;
export const missingOf = (e: Entry): string => e.missing ?? `${Math.ceil(e.need - e.weight)} more`;
