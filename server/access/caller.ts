import { parseCookie } from 'cookie';
import type { Request, RequestHandler, Response } from 'express';
import type { IncomingMessage } from 'node:http';
import { isIP } from 'node:net';
import type { Person } from '../../core/access/people-schema';
import { findPerson } from '../db/records/people';
import type { Store } from '../db/engine/store';
import { deviceOf } from './sessions';

/** Whoever asks. */
export type Caller = {
  /** On the machine that the server runs on, where nobody is asked for a pass phrase. */
  isAtMachine: boolean;
  /** The device that came in; null where none did. */
  device: { id: string; name: string } | null;
  /** Who works with it; null where nobody has said. */
  person: Person | null;
  from: string;
};

/** A device shows this once it came in. The prefix has the browser give it to this very host alone, over HTTPS. */
export const COOKIE = '__Host-jolly';
const KEPT = { httpOnly: true, secure: true, sameSite: 'strict', path: '/' } as const;

const fromMachine = new WeakSet<IncomingMessage>();

const LOOPBACK = /^(127\.|::1$|::ffff:127\.)/;

/** Marks what comes over the door that only this machine has; not what somebody passed on from elsewhere. */
export function markAtMachine(request: IncomingMessage): void {
  const passedOn = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'via'].some((name) => name in request.headers);
  if (!passedOn && LOOPBACK.test(request.socket.remoteAddress ?? '')) fromMachine.add(request);
}

const isAtMachine = (request: IncomingMessage): boolean => fromMachine.has(request);

/** The address it came from, without what wraps an IPv4 one. */
const addressOf = (request: Request): string => {
  const plain = (request.ip ?? '').replace(/^::ffff:/, '');
  return isIP(plain) > 0 ? plain : 'unknown';
};

/** Who asks. @param guarded whether the network is let in at all: otherwise it is always the machine itself */
export function callerOf(request: Request, store: Store, guarded: boolean, now: Date): Caller {
  const from = addressOf(request);
  if (!guarded || isAtMachine(request)) return { isAtMachine: true, device: null, person: null, from };
  const token = parseCookie(request.headers.cookie ?? '')[COOKIE];
  const shown = token === undefined ? null : deviceOf(store, token, from, now);
  const person = shown?.personId == null ? null : findPerson(store, shown.personId);
  return { isAtMachine: false, device: shown?.device ?? null, person, from };
}

/** Puts the caller where endpoints find it. */
export const withCaller =
  (store: Store, guarded: boolean, now: () => Date): RequestHandler =>
  (request, response, next) => {
    response.locals.caller = callerOf(request, store, guarded, now());
    next();
  };

/**
 * Returns whether somebody keeps the workshop: whoever sits at the machine, and people who were made keepers and have a pass phrase of their
 * own, for anybody may pick a name.
 */
export const isKeeper = ({ isAtMachine, person }: Caller): boolean =>
  isAtMachine || (person !== null && person.isKeeper && person.hasPassPhrase && !person.putAway);

export const callerIn = (response: Response): Caller => response.locals.caller as Caller;
export const isInside = ({ isAtMachine, device }: Caller): boolean => isAtMachine || device !== null;

/** Gives the device what it shows from now on, for as long as a session is good. */
export const giveCookie = (response: Response, token: string, days: number): void =>
  void response.cookie(COOKIE, token, { ...KEPT, maxAge: days * 24 * 3600 * 1000 });
export const takeCookie = (response: Response): void => void response.clearCookie(COOKIE, KEPT);
