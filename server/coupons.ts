import { Router } from 'express';
import { validateCoupon } from '../core/record/validate';
import type { Store } from './db/open';
import { findCoupon, listCoupons, putCoupon, rigExists } from './db/queries';
import { sendProblem, sendWrongFields } from './problem';

/** `GET /api/coupons` newest first, `GET /api/coupons/:id`, `PUT /api/coupons/:id`. */
export function couponRoutes(store: Store): Router {
  return Router()
    .get('/', (_request, response) => {
      response.json(listCoupons(store));
    })
    .get('/:id', (request, response) => {
      const coupon = findCoupon(store, request.params.id);
      if (coupon === null) return sendProblem(response, 404, 'No such coupon', 'There is no coupon with this id.');
      response.json(coupon);
    })
    .put('/:id', (request, response) => {
      const { value, problems } = validateCoupon({ ...request.body, id: request.params.id });
      if (problems !== null) return sendWrongFields(response, problems);
      if (!rigExists(store, value.rigId))
        return sendWrongFields(response, [{ field: 'rigId', takes: 'the id of a rig that is kept' }]);
      putCoupon(store, value);
      response.json(value);
    });
}
