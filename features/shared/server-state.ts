import { useSyncExternalStore } from 'react';

/** How the workshop's server stands, as this page last found it: what counts is the server, not the internet. */
export type ServerState = { away: boolean; trouble: string | null };

let state: ServerState = { away: false, trouble: null };
const listeners = new Set<() => void>();
const reached = new Set<() => void>();

function change(next: ServerState): void {
  if (next.away === state.away && next.trouble === state.trouble) return;
  const cameBack = state.away && !next.away;
  state = next;
  listeners.forEach((listener) => listener());
  if (cameBack) reached.forEach((listener) => listener());
}

/** It answered. */
export const serverAnswered = (): void => change({ away: false, trouble: null });
/** It could not be reached. */
export const serverAway = (): void => change({ away: true, trouble: null });
/** It answered that it cannot work at present. @param trouble in its own words */
export const serverInTrouble = (trouble: string): void => change({ away: false, trouble });

export const serverState = (): ServerState => state;

/** Calls back each time it answers again after it was away. */
export function onServerBack(listener: () => void): () => void {
  reached.add(listener);
  return () => void reached.delete(listener);
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};
export const useServerState = (): ServerState => useSyncExternalStore(subscribe, serverState, serverState);
