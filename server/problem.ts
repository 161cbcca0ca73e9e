import type { ErrorRequestHandler, Response } from 'express';
import type { FieldProblem } from '../core/case/problems';

/** Sends a problem document (RFC 9457); `fields` names each wrong field and what it takes. */
export function sendProblem(
  response: Response,
  status: number,
  title: string,
  detail: string,
  fields?: FieldProblem[],
): void {
  response
    .status(status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', title, status, detail, ...(fields === undefined ? {} : { fields }) }));
}

/** 400 with every wrong field. */
export function sendWrongFields(response: Response, fields: FieldProblem[]): void {
  const detail = fields.map(({ field, takes }) => `${field} takes ${takes}`).join('; ');
  sendProblem(response, 400, 'Some fields are not right', `${detail}.`, fields);
}

type BodyError = { type?: string; status?: number };

/** Last stop for errors: JSON that cannot be read, bodies too large, and anything else without its internals. */
export const handleError: ErrorRequestHandler = (error: BodyError, _request, response, next) => {
  if (response.headersSent) return next(error);
  if (error.type === 'entity.parse.failed')
    return sendProblem(response, 400, 'Not JSON', 'The body must be one JSON document.');
  if (error.type === 'entity.too.large')
    return sendProblem(response, 413, 'Too large', 'The body takes at most 256 kB.');
  if (error.status !== undefined && error.status >= 400 && error.status < 500) {
    return sendProblem(response, error.status, 'Request refused', 'The request cannot be read.');
  }
  console.error(error);
  return sendProblem(
    response,
    500,
    'Something broke here',
    'The server failed to answer. Nothing was stored; try again.',
  );
};
