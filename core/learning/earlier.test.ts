import { answer } from '../answer';
import { ENGINE } from '../answer/engine';
import type { Case, EarlierBead } from '../case/schema';
import { validateCase } from '../case/validate';
import { EXAMPLE_CASE } from '../cases/example';
import { COVER_CASES } from '../cases/written-cover';
import { MACHINE_CASES } from '../cases/written-machine';
import { withEarlier } from './earlier';

const { settings: SET, findings: SEEN, ...AROUND } = EXAMPLE_CASE;
const withBeads = (earlier: EarlierBead[], now: Partial<Case> = {}): Case =>
  withEarlier(ENGINE, { ...AROUND, settings: SET, findings: {}, ...now, earlier });
const timesOf = ({ experience }: Case, cause: string): number | undefined =>
  experience?.suspects?.find((one) => one.cause === cause)?.times;

describe('a case with the beads before', () => {
  it('is the same case where none are named', () => {
    expect(withEarlier(ENGINE, EXAMPLE_CASE)).toEqual(EXAMPLE_CASE);
    expect(withEarlier(ENGINE, { ...EXAMPLE_CASE, earlier: [] })).toEqual(EXAMPLE_CASE);
  });

  it('has what they leave: suspects, looks that hold, what the changes did, the machine, cures that were borne out', () => {
    const known = withBeads([
      {
        settings: { ...SET, voltageV: 20 },
        findings: { 'holes-scattered': 'present' },
        looked: { 'check-tip': 'present' },
      },
      {
        settings: { ...SET, voltageV: 21 },
        findings: { 'bead-flat': 'present' },
        outcome: 'worse',
        cured: ['draught'],
      },
      { settings: { ...SET, voltageV: 19 }, findings: { 'bead-ropey': 'present' }, outcome: 'better' },
    ]);
    expect(known.earlier).toBeUndefined();
    expect(known.findings).toEqual({ 'check-tip': 'present' });
    expect(timesOf(known, 'draught')).toBeLessThan(0.05);
    expect(known.experience?.changes?.find(({ cause }) => cause === 'voltage-high')!.times).toBeGreaterThan(1);
    expect(known.experience?.machine?.sure).toBeTruthy();
    expect(known.experience?.causes).toEqual([{ cause: 'draught', confirmed: 1, beads: 2 }]);
  });

  it('takes a figure that a bead does not state as what the one before was turned to', () => {
    const earlier: EarlierBead[] = [
      { settings: { voltageV: 17, wireSpeedMPerMin: 7 }, findings: SEEN, changed: { voltageV: 18 } },
    ];
    expect(withBeads(earlier, { settings: { wireSpeedMPerMin: 7 } }).settings).toEqual({
      voltageV: 18,
      wireSpeedMPerMin: 7,
    });
    expect(withBeads(earlier).settings).toEqual(SET);
  });

  it('begins anew after a sound bead', () => {
    const bad: EarlierBead = { settings: SET, findings: { 'holes-scattered': 'present' } };
    expect(withBeads([bad]).experience?.suspects?.length).toBeGreaterThan(0);
    expect(withBeads([bad, { settings: SET, outcome: 'sound' }]).experience?.suspects).toEqual([]);
  });

  it('passes over figures that the arc model does not reach, as the bench does', () => {
    const wild: EarlierBead = { settings: { voltageV: 20, wireSpeedMPerMin: 25, stickOutMm: 50 }, outcome: 'worse' };
    expect(() => answer(withBeads([{ settings: SET, findings: SEEN }, wild]))).not.toThrow();
  });

  it.each(
    [...COVER_CASES, ...MACHINE_CASES]
      .filter(({ cause }, i, all) => all.findIndex((one) => one.cause === cause) === i)
      .filter(({ cause }) => ENGINE.causes[ENGINE.columnById.get(cause)!].remedy.kind !== 'setting')
      .map((one) => [one.cause, one.input] as const),
  )('is not led again by %s once it was cured, or looked at and clear, for beads that show the same', (_, input) => {
    const { cause, because } = answer(input).causes[0];
    const { check } = ENGINE.causes[ENGINE.columnById.get(cause)!];
    // What the record says, or a check of another part, is not the bead's.
    if (because.some(({ evidence, weight }) => !evidence.startsWith('finding:') && weight > 1)) return;
    const { settings, findings } = input;
    const first = (earlier: EarlierBead[]): string | undefined =>
      answer(withEarlier(ENGINE, { ...input, earlier })).causes[0]?.cause;
    const again: EarlierBead = { settings, findings, outcome: 'same' };
    for (const after of [{ cured: [cause] }, { looked: { [check]: 'absent' } }] as EarlierBead[]) {
      const beads = [{ settings, findings, ...after }, again, again];
      const leads = [1, 2, 3].map((count) => first(beads.slice(0, count)));
      expect([check, leads.includes(cause)]).toEqual([check, false]);
    }
  });
});

describe('beads before in a case', () => {
  const problems = (earlier: unknown): string[] =>
    (validateCase({ ...EXAMPLE_CASE, earlier }).problems ?? []).map(({ field }) => field);

  it('are checked field by field, and are thirty at most', () => {
    expect(problems([{ settings: SET, findings: SEEN, outcome: 'same', cured: ['draught'] }])).toEqual([]);
    expect(problems([{}, { settings: { voltageV: 900 } }])).toEqual(['earlier.1.settings.voltageV']);
    expect(problems([{ outcome: 'fine' }])).toEqual(['earlier.0.outcome']);
    expect(problems([{ cured: ['gremlins'] }])).toEqual(['earlier.0.cured.0']);
    expect(problems([{ looked: { 'bead-ropey': 'present' } }])).toEqual(['earlier.0.looked.bead-ropey']);
    expect(problems(Array.from({ length: 31 }, () => ({})))).toEqual(['earlier']);
  });
});
