/**
 * A short name for a value by its content: the same value always has the same name, another hardly ever.
 * Source: FNV-1a, 32 bits, over the JSON text, once forward and once with another start, as 16 hex digits.
 * @param value anything that JSON can hold
 */
export function fingerprint(value: unknown): string {
  const text = JSON.stringify(value);
  const hash = (start: number): string => {
    let state = start;
    for (let i = 0; i < text.length; i++) state = Math.imul(state ^ text.charCodeAt(i), 0x01000193);
    return (state >>> 0).toString(16).padStart(8, '0');
  };
  return hash(0x811c9dc5) + hash(0x050c5d1f);
}
