const words: Record<string, string> = { clear: 'feared to be', keep: 'thought to be', record: 'thought to be' };

/** What the name of a find means for what it is for: to eat it is hoped for, to clear it is feared. */
export const hoped = (intent: string): string => words[intent] ?? 'hoped to be';
