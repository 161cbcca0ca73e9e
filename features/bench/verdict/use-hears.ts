import { useSyncExternalStore } from 'react';

let hears = false;
const listeners = new Set<() => void>();

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};
const toggle = (): void => {
  hears = !hears;
  listeners.forEach((listener) => listener());
};

/**
 * Returns whether somebody wants to hear how it sounds. Said once it holds until the page is closed: the verdict comes and goes with every
 * figure, and would forget it.
 */
export const useHears = (): [hears: boolean, toggle: () => void] => [
  useSyncExternalStore(subscribe, () => hears),
  toggle,
];
