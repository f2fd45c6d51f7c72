/** A day as the machine of the user has it: an evening in America is still today. */
export function localDay(at: Date = new Date()): string {
  const two = (n: number) => String(n).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}
