import { PICTURES_SCHEMA } from '../../core/record/shapes/picture-schema';
import { couponNow } from '../db/records/coupons';
import { picturesOf } from '../db/records/pictures';
import { weldNow } from '../db/records/welds';
import { endpoint, type AnyEndpoint } from './endpoint';

const ANSWER = { schema: PICTURES_SCHEMA, description: 'the pictures, in the order they were taken' };

/** What is known of photographs; their files are sent and taken by `pictures/routes.ts`. */
export const PICTURES: readonly AnyEndpoint[] = [
  endpoint({
    id: 'listCouponPictures',
    method: 'get',
    path: '/coupons/{id}/pictures',
    summary: 'The photographs of the beads of a coupon.',
    answer: ANSWER,
    problems: ['not-found'],
    work: ({ params: { id } }, { store, report }) =>
      couponNow(store, id) === null ? null : picturesOf(store, { couponId: id }, report),
  }),
  endpoint({
    id: 'listWeldPictures',
    method: 'get',
    path: '/welds/{id}/pictures',
    summary: 'The photographs of a weld.',
    answer: ANSWER,
    problems: ['not-found'],
    work: ({ params: { id } }, { store, report }) =>
      weldNow(store, id) === null ? null : picturesOf(store, { weldId: id }, report),
  }),
];
