import { useSyncExternalStore } from 'react';

/** How the workshop's server stands, as this page last found it: what counts is the server, not the internet. */
export type ServerState = {
  away: boolean;
  trouble: string | null;
  /** It asks who is there: this device did not come in, or was shut out. */
  asksWho: boolean;
};

const WELL: ServerState = { away: false, trouble: null, asksWho: false };
let state = WELL;
const listeners = new Set<() => void>();
const reached = new Set<() => void>();

function change(next: ServerState): void {
  if (next.away === state.away && next.trouble === state.trouble && next.asksWho === state.asksWho) return;
  const cameBack = (state.away && !next.away) || (state.asksWho && !next.asksWho && !next.away);
  state = next;
  listeners.forEach((listener) => listener());
  if (cameBack) reached.forEach((listener) => listener());
}

/** It answered. */
export const serverAnswered = (): void => change(WELL);
/** It could not be reached. */
export const serverAway = (): void => change({ ...WELL, away: true });
/** It answered that it cannot work at present. @param trouble in its own words */
export const serverInTrouble = (trouble: string): void => change({ ...WELL, trouble });
/** It answers nobody who did not come in. */
export const serverAsksWho = (): void => change({ ...WELL, asksWho: true });

export const serverState = (): ServerState => state;

/** Calls back each time it answers again after it was away, or had asked who is there. */
export function onServerBack(listener: () => void): () => void {
  reached.add(listener);
  return () => void reached.delete(listener);
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};
export const useServerState = (): ServerState => useSyncExternalStore(subscribe, serverState, serverState);
