import { useCallback, useEffect, useRef, useState } from 'react';

/**
 * Something of the School that is made for each turn, by what is known when the turn begins: answers that are given meanwhile do not
 * change it.
 * @param make called once a turn
 * @returns what was made, null while it is, and how to go on to the next turn
 */
export function useMade<Made>(make: (turn: number) => Promise<Made>): {
  made: Made | 'failed' | null;
  again: () => void;
} {
  const [made, setMade] = useState<Made | 'failed' | null>(null);
  const [turn, setTurn] = useState(0);
  const latest = useRef(make);
  useEffect(() => {
    latest.current = make;
  });
  useEffect(() => {
    let left = false;
    latest.current(turn).then(
      (one) => !left && setMade(one),
      () => !left && setMade('failed'),
    );
    return () => {
      left = true;
    };
  }, [turn]);
  const again = useCallback(() => {
    setMade(null);
    setTurn((before) => before + 1);
  }, []);
  return { made, again };
}
