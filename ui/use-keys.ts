import { useEffect, useLayoutEffect } from 'react';
import { Platform } from 'react-native';

/** What each key does; the name is `KeyboardEvent.key`. */
export type Keys = Record<string, () => void>;

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.tagName === 'INPUT' || target.tagName === 'TEXTAREA');

/** Listens for single keys while nothing is being typed. */
export function useKeys(keys: Keys): void {
  // Before it is seen: a key that is pressed as soon as something stands there is heard.
  useLayoutEffect(() => {
    if (Platform.OS !== 'web') return;
    const listen = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      // A key that is held turns a knob on and on; nothing else is done more than once by it.
      if (event.repeat && !event.key.startsWith('Arrow')) return;
      const act = keys[event.key];
      if (act === undefined) return;
      event.preventDefault();
      act();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [keys]);
}

/** Sets the title of the page: where you are. */
export function useTitle(title: string): void {
  useEffect(() => {
    if (Platform.OS === 'web') document.title = `${title} · Jolly Tinker`;
  }, [title]);
}
