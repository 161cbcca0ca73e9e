import { Router } from 'express';
import { answer } from '../core/answer';
import { validateCase } from '../core/case/validate';
import { sendProblem, sendWrongFields } from './problem';

/** `POST /api/diagnose`: a case in, its answer out. Nothing is stored. */
export function diagnoseRoutes(): Router {
  return Router().post('/', (request, response) => {
    const { value, problems } = validateCase(request.body);
    if (problems !== null) return sendWrongFields(response, problems);
    try {
      response.json(answer(value));
    } catch (error) {
      // The arc model refuses figures that are each possible but not together; its message names them.
      if (!(error instanceof RangeError)) throw error;
      sendProblem(response, 422, 'Outside the arc model', `${error.message}.`);
    }
  });
}
