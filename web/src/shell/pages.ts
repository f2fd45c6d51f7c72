/** The pages that are one tap away on every screen, and those behind “More” on a narrow one. */
export const nearest: [string, string][] = [
  ['/today', 'Today'],
  ['/', 'Finds'],
  ['/kitchen', 'Kitchen'],
  ['/guide', 'Guide'],
];
export const further: [string, string][] = [
  ['/walks', 'Walks'],
  ['/places', 'Places'],
  ['/year', 'Year'],
  ['/journal', 'Journal'],
  ['/incident', 'Incidents'],
  ['/you', 'You'],
  ['/data', 'Your data'],
];

/** On a wide screen all of them, in the order of the work. */
export const all: [string, string][] = [
  ['/today', 'Today'],
  ['/', 'Finds'],
  ['/walks', 'Walks'],
  ['/places', 'Places'],
  ['/year', 'Year'],
  ['/kitchen', 'Kitchen'],
  ['/journal', 'Journal'],
  ['/guide', 'Guide'],
  ['/you', 'You'],
];
