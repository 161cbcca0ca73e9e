import { Router } from 'express';
import { validateRig } from '../core/record/validate';
import type { Store } from './db/open';
import { listRigs, putRig } from './db/queries';
import { sendWrongFields } from './problem';

/** `GET /api/rigs`, `PUT /api/rigs/:id`. */
export function rigRoutes(store: Store): Router {
  return Router()
    .get('/', (_request, response) => {
      response.json(listRigs(store));
    })
    .put('/:id', (request, response) => {
      const { value, problems } = validateRig({ ...request.body, id: request.params.id });
      if (problems !== null) return sendWrongFields(response, problems);
      putRig(store, value);
      response.json(value);
    });
}
