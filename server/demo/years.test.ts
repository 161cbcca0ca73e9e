import { sql } from 'drizzle-orm';
import Ajv from 'ajv';
import { RECORD_SCHEMA } from '../../core/record/file/record-file-schema';
import { RECORD_KINDS, type RecordRows } from '../../core/record/kinds/all';
import { fieldsProblems } from '../../core/record/change/change';
import type { NewBead } from '../../core/record/shapes/record-schema';
import { faultIn } from '../db/open';
import { NOW, openWorkshop, type Workshop } from '../testing/workshop';
import { demoRigs } from './rigs';
import { recordOfYears } from './record-of-years';
import { YEARS } from './years';

const record: RecordRows = recordOfYears(YEARS(), demoRigs('2024-04-01T09:20:00.000Z'), NOW);
const ajv = new Ajv({ allErrors: true, strict: false });

describe('the two years of the demo', () => {
  it('are some fifteen hundred beads over two years, in order, none in the future', () => {
    expect(record.beads.length).toBeGreaterThan(1400);
    expect(record.beads.length).toBeLessThan(2000);
    const days = record.coupons.map(({ createdAt }) => createdAt);
    expect([...days].sort()).toEqual(days);
    const [first, last] = [Date.parse(days[0]), Date.parse(days[days.length - 1])];
    expect((last - first) / 86_400_000).toBeGreaterThan(690);
    expect(record.beads.every(({ ranAt }) => Date.parse(ranAt) < NOW)).toBe(true);
  });

  it('hold what the schemas of the record and of a bead take', () => {
    const whole = { format: 'jolly-tinker/record', version: 1, madeAt: '2026-05-04T09:00:00.000Z', ...record };
    const matches = ajv.compile(RECORD_SCHEMA);
    expect(matches(whole) || ajv.errorsText(matches.errors?.slice(0, 3))).toBe(true);
    for (const kept of record.beads) {
      const { number: _, takenBack: __, ...bead } = kept;
      expect(fieldsProblems('log-bead', bead, bead.id)).toEqual([]);
    }
    expect([...RECORD_KINDS].sort()).toEqual(Object.keys(record).sort());
  });

  it('are believable: half the coupons sound at once, most in three, tips and nozzles seen to, one weld in ten repaired', () => {
    const beadsOf = new Map<string, NewBead['outcome'][]>();
    for (const { couponId, outcome } of record.beads)
      beadsOf.set(couponId, [...(beadsOf.get(couponId) ?? []), outcome]);
    const counts = [...beadsOf.values()].map((outcomes) => outcomes.length);
    const share = (test: (count: number) => boolean): number => counts.filter(test).length / counts.length;
    expect(share((count) => count === 1)).toBeGreaterThan(0.4);
    expect(share((count) => count === 1)).toBeLessThan(0.7);
    expect(share((count) => count <= 3)).toBeGreaterThan(0.75);
    for (const outcomes of beadsOf.values()) expect(outcomes.slice(0, -1)).not.toContain('sound');
    const anew = record.setups.filter(({ rig }) => rig.fittedAt?.tip !== undefined).length;
    expect(anew).toBeGreaterThan(20);
    const repaired = record.welds.filter(({ steps }) => steps.some((step) => 'repair' in step)).length;
    expect(repaired / record.welds.length).toBeGreaterThan(0.03);
    expect(repaired / record.welds.length).toBeLessThan(0.25);
  });
});

describe('the two years in a database', () => {
  let shop: Workshop;
  beforeAll(async () => (shop = await openWorkshop({ years: true })));
  afterAll(() => shop.stop());
  const one = (text: string): number => (shop.store.get(sql.raw(text)) as { n: number }).n;

  it('are whole, and counted as they would be had each been written by itself', () => {
    expect(faultIn(shop.connection)).toBeNull();
    expect(one('SELECT count(*) n FROM beads')).toBeGreaterThan(record.beads.length);
    expect(
      one(`SELECT count(*) n FROM coupons c WHERE bead_count <> (SELECT count(*) FROM beads b
        WHERE b.coupon_id = c.id AND NOT taken_back) OR sound_number IS NOT (SELECT min(number) FROM beads b
        WHERE b.coupon_id = c.id AND NOT taken_back AND outcome = 'sound')`),
    ).toBe(0);
    expect(
      one(`SELECT count(*) n FROM proven p WHERE weld_count <> (SELECT count(*) FROM welds w
        WHERE w.proven_id = p.id AND NOT put_away) OR rig_id <> (SELECT rig_id FROM beads b JOIN coupons c
        ON c.id = b.coupon_id WHERE b.id = p.bead_id)`),
    ).toBe(0);
  });

  it('end in the machines as they stand, with the parts that the years left on them', async () => {
    const rigs = (await shop.send('GET', '/rigs')).json as unknown as {
      name: string;
      setup: { id: string; rig: object };
    }[];
    expect(rigs.map(({ name }) => name).sort()).toEqual(['Blue cart set', 'Boat kit', 'Dock set']);
    const dock = rigs.find(({ name }) => name === 'Dock set')!;
    expect(dock.setup.rig).toMatchObject({ fittedAt: { tip: expect.any(String) }, cylinder: { pressureBar: 140 } });
  });
});
