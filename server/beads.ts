import { Router } from 'express';
import { validateBead } from '../core/record/validate';
import type { Store } from './db/open';
import { couponExists, deleteBead, putBead } from './db/queries';
import { sendWrongFields } from './problem';

/** `PUT /api/beads/:id` and `DELETE /api/beads/:id`; both may be sent twice without harm. */
export function beadRoutes(store: Store): Router {
  return Router()
    .put('/:id', (request, response) => {
      const { value, problems } = validateBead({ ...request.body, id: request.params.id });
      if (problems !== null) return sendWrongFields(response, problems);
      if (!couponExists(store, value.couponId))
        return sendWrongFields(response, [{ field: 'couponId', takes: 'the id of a coupon that is kept' }]);
      putBead(store, value);
      response.json(value);
    })
    .delete('/:id', (request, response) => {
      deleteBead(store, request.params.id);
      response.status(204).end();
    });
}
