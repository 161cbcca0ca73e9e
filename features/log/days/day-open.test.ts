import { assert, constantFrom, option, property, integer, record } from 'fast-check';
import { ENTRY_KINDS, type Entry } from '@/core/record/shapes/log-entry-schema';
import { leadsTo, lineOf, opened, openedFrom, openedText, pageOf } from './day-open';

const ID = (n: number): string => `0190e001-0000-7000-8000-${String(n).padStart(12, '0')}`;
const entry = (given: Partial<Entry>): Entry => ({
  ...{ kind: 'bead', of: ID(1), at: '2026-05-04T09:30:00.000Z', rigId: ID(9), rigName: 'Bench set', couponId: null },
  ...{ weldId: null, number: null, by: null, title: 'Gate', says: 'Sound', outcome: null, appearance: null },
  ...given,
});

describe('where a line of the days leads', () => {
  it.each([
    [{ kind: 'bead', couponId: ID(2), number: 3 }, `/coupon/${ID(2)}?bead=3`],
    [{ kind: 'coupon', of: ID(2), couponId: ID(2) }, `/coupon/${ID(2)}`],
    [{ kind: 'proven', of: ID(4), couponId: ID(2) }, `/proven/${ID(4)}`],
    [{ kind: 'weld', of: ID(5), weldId: ID(5) }, `/weld/${ID(5)}`],
    [{ kind: 'inspection', of: ID(6), weldId: ID(5) }, `/weld/${ID(5)}`],
    [{ kind: 'repair', of: ID(7), weldId: ID(5) }, `/weld/${ID(5)}`],
    [{ kind: 'refit' }, `/rig/parts/${ID(9)}`],
    [{ kind: 'care' }, `/rig/care/${ID(9)}`],
  ] as const)('%j: %s', (given, page) => {
    expect(pageOf(leadsTo(entry(given)))).toBe(page);
  });

  it('goes into the address and comes out of it as it was', () => {
    const ids = integer({ min: 0, max: 1e9 }).map(ID);
    assert(
      property(
        record({
          ...{ kind: constantFrom(...ENTRY_KINDS), of: ids, couponId: option(ids), weldId: option(ids) },
          number: option(integer({ min: 1, max: 9999 })),
        }),
        (given) => {
          const line = opened(entry(given));
          expect(openedFrom(openedText(line))).toEqual(line);
          expect(line.line).toBe(lineOf(entry(given)));
        },
      ),
    );
  });

  it('is nothing where the address says nothing that can be', () => {
    const good = openedText(opened(entry({ couponId: ID(2), number: 3 })));
    expect(openedFrom(good)).not.toBeNull();
    for (const text of [
      undefined,
      '',
      'x',
      `${good}.4`,
      good.replace('coupon', 'levels'),
      good.replace('.3', '.0'),
      ` ${good}`,
    ])
      expect(openedFrom(text)).toBeNull();
  });
});
