/** Returns whether two documents say the same, whatever the order of their fields. */
export function sameDocument(a: string, b: string): boolean {
  const ordered = (_: string, value: unknown): unknown =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([x], [y]) => (x < y ? -1 : 1)))
      : value;
  try {
    return JSON.stringify(JSON.parse(a), ordered) === JSON.stringify(JSON.parse(b), ordered);
  } catch {
    return false;
  }
}
