import type { Request, RequestHandler, Response } from 'express';
import { sendPage, sendProblem, type ProblemCode } from '../errors/problem';

/** Names by which a machine is always called on itself. */
const OWN_NAMES = ['127.0.0.1', 'localhost', '[::1]'];
const READS = ['GET', 'HEAD', 'OPTIONS'];

/** "localhost:4173" without its port, lower case. */
function hostName(host: string): string {
  return host.replace(/:\d+$/, '').toLowerCase();
}

function refuse(request: Request, response: Response, code: ProblemCode, detail: string): void {
  if (request.path.startsWith('/api')) sendProblem(response, code, detail);
  else sendPage(response, code === 'unknown-host' ? 421 : 403, detail);
}

/**
 * Answers only to host names this server knows, so that a page elsewhere which points its own name at this machine
 * gets nothing; and takes writes only from its own pages, or from a program that names no origin.
 * @param named further names that it goes by now, such as the one it listens on
 */
export function knownHostsOnly(named: () => readonly string[]): RequestHandler {
  // The machine may be given another address while it runs.
  const isKnown = (name: string): boolean =>
    OWN_NAMES.includes(name) || named().some((one) => one.toLowerCase() === name);
  return (request, response, next) => {
    const { host = '', origin } = request.headers;
    if (!isKnown(hostName(host)))
      return refuse(
        request,
        response,
        'unknown-host',
        'This server does not go by that name. Add it to HOST_NAMES if it should.',
      );
    const own = origin === undefined || origin === `http://${host}` || origin === `https://${host}`;
    const elsewhere = request.headers['sec-fetch-site'] === 'cross-site';
    if (!READS.includes(request.method) && (!own || elsewhere))
      return refuse(request, response, 'wrong-origin', 'Writes are taken from the pages of this server only.');
    next();
  };
}
