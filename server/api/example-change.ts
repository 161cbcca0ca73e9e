/** A program's first write: a test plate on the demo's dock set. */
export const EXAMPLE_CHANGE = {
  id: '0190c000-0000-7000-8000-000000000001',
  kind: 'begin-coupon',
  of: '0190c000-0000-7000-8000-000000000002',
  device: '0190c000-0000-7000-8000-000000000003',
  madeAt: '2026-05-04T09:30:00.000Z',
  against: 0,
  fields: {
    rigId: '0190a000-0000-7000-8000-000000000001',
    title: 'Test plate',
    createdAt: '2026-05-04T09:30:00.000Z',
    job: {
      id: '0190c000-0000-7000-8000-000000000004',
      at: '2026-05-04T09:30:00.000Z',
      job: { baseMetal: 'mild-steel', thicknessMm: 5, joint: 'fillet', position: 'flat' },
    },
  },
} as const;
