import type { RequestHandler, Response } from 'express';
import { sendProblem } from '../errors/problem';
import { callerIn, isInside } from './caller';

/** What is answered to everyone: whether the server is there, what its API is, and how to come in. */
const OPEN = ['/health', '/openapi.json', '/session'];

/** Answers on their way, by the device that asked: of one that is shut out none arrives. */
export type Answering = {
  began: (deviceId: string, response: Response) => void;
  breakOff: (deviceId: string) => void;
};

export function answering(): Answering {
  const open = new Map<string, Set<Response>>();
  return {
    began: (deviceId, response) => {
      const of = open.get(deviceId) ?? new Set();
      open.set(deviceId, of.add(response));
      response.once('close', () => {
        of.delete(response);
        if (of.size === 0 && open.get(deviceId) === of) open.delete(deviceId);
      });
    },
    breakOff: (deviceId) => open.get(deviceId)?.forEach((response) => response.destroy()),
  };
}

/** Lets nobody further who did not come in. */
export const guard =
  ({ began }: Answering): RequestHandler =>
  (request, response, next) => {
    const caller = callerIn(response);
    if (caller.device !== null) began(caller.device.id, response);
    if (isInside(caller) || OPEN.includes(request.path)) return next();
    sendProblem(response, 'not-in', 'Come in first: this workshop asks who is there.');
  };
