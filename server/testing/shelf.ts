import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { NewBead, NewCoupon, NewRig } from '../../core/record/shapes/record-schema';
import { findBead } from '../db/records/beads';
import { findCoupon } from '../db/records/coupons';
import { openStore, type OpenedStore } from '../db/open';
import { clock } from '../system/clock';
import { putBead, putCoupon, putRig } from './put';
import { findRig } from '../db/records/rigs';
import { writeNow } from '../db/records/write';

let folder: string;
let opened: OpenedStore;

/** A database of its own for each test of a file, and records to put in it. */
export function databaseForEach(): { readonly store: OpenedStore['store'] } {
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'jolly-writes-'));
    opened = openStore(join(folder, 'shop.sqlite'));
  });
  afterEach(() => {
    opened.close();
    rmSync(folder, { recursive: true, force: true });
  });

  return {
    get store() {
      return opened.store;
    },
  };
}

export const nothingUnreadable = (): never => {
  throw new Error('a row cannot be read');
};
export const rig = (change: Partial<NewRig> = {}): NewRig => ({
  id: 'rig',
  name: 'Dock set',
  note: '',
  setup: {
    id: 'setup',
    fittedAt: '2026-05-01T08:00:00.000Z',
    rig: { nozzleBoreMm: 13 },
    arcControlRising: 'softer',
    display: 'dial',
  },
  ...change,
});
export const coupon = (change: Partial<NewCoupon> = {}): NewCoupon => ({
  id: 'coupon',
  rigId: 'rig',
  title: 'Hinge',
  createdAt: '2026-05-01T09:00:00.000Z',
  job: { id: 'job', at: '2026-05-01T09:00:00.000Z', job: { gapMm: 1 } },
  ...change,
});
const bead = (id: string, change: Partial<NewBead> = {}): NewBead => ({
  id,
  couponId: 'coupon',
  setupId: 'setup',
  jobId: 'job',
  ranAt: '2026-05-01T09:30:00.000Z',
  settings: { voltageV: 17 },
  readings: {},
  schools: {},
  findings: { 'bead-flat': 'present' },
  names: { 'bead-flat': 'Bead flat' },
  verdict: null,
  move: null,
  judgedBy: null,
  appearance: null,
  outcome: null,
  note: '',
  ...change,
});
export const put = {
  rig: (change?: Partial<NewRig>) => {
    const value = rig(change);
    writeNow(opened.store, (writing) => putRig(writing, value, clock()));
    return findRig(opened.store, value.id)!;
  },
  coupon: (change?: Partial<NewCoupon>) =>
    writeNow(opened.store, (writing) => putCoupon(writing, coupon(change), clock())),
  bead: (id: string, change?: Partial<NewBead>) => {
    writeNow(opened.store, (writing) => putBead(writing, bead(id, change), clock()));
    return findBead(opened.store, id)!;
  },
};
export const kept = () => findCoupon(opened.store, 'coupon', nothingUnreadable)!;
