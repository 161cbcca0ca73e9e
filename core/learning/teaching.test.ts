import { Ajv } from 'ajv';
import { RIGS } from '../cases/rigs';
import { CASE_FORMAT } from '../case/schema';
import { ENGINE } from '../answer/engine';
import { beforeBeads, evidenceOf, machineOf } from './machine-belief';
import { machineFor, TEACHING_SCHEMA, teachingOf, type TeachingBead } from './teaching';

const ID = (n: number): string => `0190b000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const RIG = { rigId: ID(1), since: null, runOutScale: null };
const sound = evidenceOf(ENGINE, {
  input: {
    format: CASE_FORMAT,
    job: { baseMetal: 'mild-steel', thicknessMm: 3, joint: 'butt', position: 'flat' },
    rig: RIGS.mix09,
    settings: { voltageV: 20, wireSpeedMPerMin: 6, stickOutMm: 10 },
  },
  sound: true,
})!;
const bead = (n: number, evidence: TeachingBead['evidence'] = sound): TeachingBead => ({
  beadId: ID(100 + n),
  couponId: ID(50),
  title: 'Rack',
  number: n,
  ranAt: `2026-05-0${n}T08:00:00.000Z`,
  outcome: 'sound',
  evidence,
});

describe('what a rig has taught', () => {
  it('is a band that narrows with every bead that says something, in the order they were run', () => {
    const { steps, belief, machine, before } = teachingOf(RIG, [bead(3), bead(1), bead(2, null)], []);
    expect(steps.map(({ number }) => number)).toEqual([1, 3]);
    const bands = [before, ...steps.map((step) => step.machine)].map(({ sure }) => sure!.offsetSdV);
    expect(bands[1]).toBeLessThan(bands[0]);
    expect(bands[2]).toBeLessThan(bands[1]);
    expect(steps[1].machine).toEqual(machine);
    expect(belief.beads).toBe(2);
    expect(machineOf(belief).offsetV).toBeCloseTo(machine.offsetV, 2);
  });

  it('is a document as it is published, and small enough to be sent with every coupon', () => {
    const taught = teachingOf({ ...RIG, since: '2026-05-01T00:00:00.000Z', runOutScale: 0.97 }, [bead(1)], []);
    const validate = new Ajv({ strict: false, validateFormats: false }).compile(TEACHING_SCHEMA);
    expect(validate(taught)).toBe(true);
    expect(JSON.stringify(taught).length).toBeLessThan(12_000);
    expect(taught.machine.wireScale).toBeLessThan(0.99);
  });
});

describe('the machine of the next answer', () => {
  const UNKNOWN = { belief: null, runOutScale: null };
  const others = teachingOf(RIG, [bead(1), bead(2)], []);

  it('is taken by its word where nothing was learned', () => {
    expect(machineFor(UNKNOWN, [])).toBeUndefined();
    expect(machineFor(UNKNOWN, [null])).toBeUndefined();
    expect(machineFor(teachingOf(RIG, [], []), [])).toBeUndefined();
  });

  it('is what the other coupons taught and the beads of this one, as if all had been one', () => {
    const all = teachingOf(RIG, [bead(1), bead(2), bead(3)], []).machine;
    const joined = machineFor(others, [sound])!;
    expect(joined.offsetV).toBeCloseTo(all.offsetV, 2);
    expect(joined.wireScale).toBeCloseTo(all.wireScale, 3);
    expect(joined.sure!.offsetSdV).toBeCloseTo(all.sure!.offsetSdV, 2);
    // Without the server only this coupon teaches.
    expect(machineFor(UNKNOWN, [sound])!.sure!.offsetSdV).toBeLessThan(machineOf(beforeBeads()).sure!.offsetSdV);
  });

  it('is known by a run-out alone', () => {
    expect(machineFor(teachingOf({ ...RIG, runOutScale: 0.9 }, [], []), [])!.wireScale).toBeLessThan(0.93);
    expect(machineFor({ ...UNKNOWN, runOutScale: 0.9 }, [])!.wireScale).toBeLessThan(0.93);
  });
});
