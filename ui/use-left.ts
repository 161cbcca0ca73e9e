import { useEffect, useState } from 'react';

const left = new Map<string, unknown>();

/** A state that is found as it was left when its place is come back to, until the page is loaded anew. @param name which, in the whole product */
export function useLeft<Value>(name: string, initial: Value): [Value, (next: Value) => void] {
  const [value, setValue] = useState<Value>(() => (left.has(name) ? (left.get(name) as Value) : initial));
  useEffect(() => {
    left.set(name, value);
  }, [name, value]);
  return [value, setValue];
}
