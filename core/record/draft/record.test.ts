import fc from 'fast-check';
import { answer } from '../../answer';
import { appearanceFrom } from '../../bead/appearance';
import type { Job, Preferences, Rig } from '../../case/schema';
import { validateCase } from '../../case/validate';
import { EXAMPLE_CASE } from '../../cases/example';
import { RIGS } from '../../cases/rigs';
import { compile } from '../../diagnosis/engine';
import { FINDING_IDS } from '../../evidence/ids';
import { KNOWLEDGE } from '../../knowledge';
import type { UnitSystem } from '../../quantity/units';
import type { Settings } from '../../setting/table';
import { draws } from '../../testing/draws';
import { beadFrom, draftAfter, draftFromBead, draftFromLast } from './bead-from-draft';
import { caseOf, caseOfBead, dialsOf } from './case-of';
import { emptyDraft, suspectsOf } from './draft';
import { USUAL_HABITS } from './habits';
import { moveInWords, takenMove } from '../words/move-words';
import { firstShown, outcomeWords } from '../words/outcome';
import type { Bead, NewSetup } from '../shapes/record-schema';
import { fieldsProblems } from '../change/change';
import { validateCoupon } from '../change/validate-coupon';
import { validateRig } from '../change/validate-rig';

const ID = (n: number): string => `0190b000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const RAN = { couponId: ID(1), setupId: ID(2), jobId: ID(3) };
const NOW = new Date('2026-05-04T09:30:00.000Z');
const setupOf = (rig: Rig): NewSetup => ({
  id: RAN.setupId,
  fittedAt: '2026-05-01T08:00:00.000Z',
  rig,
  arcControlRising: 'crisper',
  display: 'dial',
});
const SETUP = setupOf(EXAMPLE_CASE.rig!);
const JOB = EXAMPLE_CASE.job!;
const draftOf = (settings: Settings, findings: object = EXAMPLE_CASE.findings!) =>
  ({ ...emptyDraft(ID(9)), settings, findings }) as ReturnType<typeof emptyDraft>;

function logged(setup = SETUP, job: Job = JOB, settings: Settings = EXAMPLE_CASE.settings!, findings?: object) {
  const draft = draftOf(settings, findings);
  const input = caseOf(setup, job, draft, USUAL_HABITS.schools);
  const said = answer(input);
  return { draft, input, said, bead: beadFrom(draft, input, said, RAN, USUAL_HABITS, NOW) };
}
const beadProblems = (bead: { id: string; [field: string]: unknown }) => fieldsProblems('log-bead', bead, bead.id);
const kept = (bead: ReturnType<typeof logged>['bead']): Bead => ({ ...bead, number: 1, takenBack: false, revision: 1 });

describe('the case of a bead', () => {
  it('is a valid case, read as the machine shows its figures', () => {
    const { input } = logged();
    expect(validateCase(input).problems).toBeNull();
    expect(input.readings).toEqual({ voltageV: 'dial', wireSpeedMPerMin: 'dial', travelSpeedMmPerMin: 'estimate' });
    expect(input.rig!.dials!.arcControlPct).toEqual(dialsOf(SETUP).arcControlPct);
    const measured = { ...draftOf({}), readings: { voltageV: 'digital' as const } };
    expect(caseOf(SETUP, JOB, measured, {}).readings!.voltageV).toBe('digital');
    expect(caseOf({ ...SETUP, arcControlRising: 'softer' }, JOB, draftOf({}), {}).rig).toBe(SETUP.rig);
  });

  it('leaves out a finding that the lexicon no longer holds', () => {
    const old = { ...kept(logged().bead), findings: { 'bead-purple': 'present', 'bead-ropey': 'absent' } } as Bead;
    expect(caseOfBead(old, SETUP, { job: JOB }).findings).toEqual({ 'bead-ropey': 'absent' });
  });
});

describe('a logged bead', () => {
  it('is one the server takes, with everything its case asks for', () => {
    const { bead, said, input } = logged();
    expect(beadProblems(bead)).toEqual([]);
    expect(bead).toEqual(
      expect.objectContaining({
        ...RAN,
        id: ID(9),
        ranAt: NOW.toISOString(),
        outcome: null,
        note: '',
        judgedBy: said.judgedBy,
      }),
    );
    expect(bead.verdict).toEqual({
      cause: 'voltage-low',
      name: 'Voltage too low',
      probability: said.causes[0].probability,
    });
    expect(bead.names).toEqual({ 'bead-ropey': 'Ropey, humped', 'toe-undercut': 'Undercut' });
    expect(bead.move).toEqual(expect.objectContaining({ kind: 'setting', setting: 'voltageV', from: 16.5 }));
    expect(caseOfBead(kept(bead), SETUP, { job: JOB })).toEqual(input);
    for (const [key, value] of Object.entries(said.appearance.now)) {
      const drawn = appearanceFrom(bead.appearance)[key as 'widthMm'];
      if (typeof value === 'number') expect(drawn).toBeCloseTo(value, 2);
      else expect(drawn).toBe(value);
    }
  });

  it('says the same whatever rig, schools or knowledge become later', () => {
    const rigs = fc.constantFrom<Rig>(...Object.values(RIGS));
    const jobs = fc.record({ thicknessMm: fc.double({ min: 0.8, max: 12, noNaN: true }) });
    const schools = fc.record<Preferences>({
      imbalance: fc.constantFrom('by-heat', 'volts', 'wire'),
      gasFlow: fc.constantFrom('ample', 'lean'),
      stickOut: fc.constantFrom('standard', 'tight'),
    });
    fc.assert(
      fc.property(
        rigs,
        jobs,
        fc.uniqueArray(fc.constantFrom(...FINDING_IDS), { maxLength: 4 }),
        rigs,
        schools,
        (rig, job, ids, later, ways) => {
          const findings = Object.fromEntries(ids.map((one) => [one, 'present']));
          const setup = setupOf(rig);
          const { bead, input, said } = logged(setup, job, { voltageV: 18, wireSpeedMPerMin: 6 }, findings);
          // The workshop goes on: another rig, other schools, a corrected plate, other knowledge.
          const versions = [setup, { ...setupOf(later), id: ID(77) }];
          const otherWays = { ...USUAL_HABITS, schools: { ...USUAL_HABITS.schools, ...ways } };
          const shaken = compile({ ...KNOWLEDGE, causes: KNOWLEDGE.causes.map((one) => ({ ...one, prior: 0.01 })) });
          const its = versions.find(({ id }) => id === bead.setupId)!;
          const again = caseOfBead(kept(bead), its, { job });
          expect(again).toEqual(input);
          expect(again.preferences).not.toBe(otherWays.schools);
          expect(answer(again)).toEqual(said);
          const renamed = answer(again, shaken);
          expect(renamed.judgedBy).not.toBe(bead.judgedBy);
          expect(bead.verdict?.probability ?? null).toBe(said.causes[0]?.probability ?? null);
        },
      ),
      { numRuns: draws(10, 25) },
    );
  });

  it('is followed by a draft with the change made and nothing seen', () => {
    const { draft, said, bead } = logged();
    const next = draftAfter({ ...draft, readings: { voltageV: 'estimate' } }, said, 'one', ID(10));
    const [move] = said.correction.moves;
    expect(next).toEqual({
      id: ID(10),
      findings: {},
      typed: {},
      readings: { voltageV: 'estimate' },
      settings: { ...draft.settings, voltageV: move.kind === 'setting' ? move.to : null },
      suspects: expect.objectContaining({ 'travel-fast': expect.any(Number) }),
    });
    expect(Math.max(...Object.values(next.suspects!))).toBeLessThan(1000);
    expect(draftFromLast(kept(bead), ID(11)).settings).toEqual(next.settings);
    expect(draftFromLast(null, ID(12))).toEqual(emptyDraft(ID(12)));
    // Amps belong to the bead that they were read of.
    const read = { ...kept(bead), settings: { ...bead.settings, currentA: 140 } };
    expect(draftFromLast(read, ID(20)).settings).toEqual(next.settings);
    const cleaned = { ...kept(bead), move: { kind: 'remedy' as const, text: 'clean it' } };
    expect(draftFromLast(cleaned, ID(13)).settings).toEqual(bead.settings);
    // A guess is one on every device; what the rig says by itself is not said for it.
    const guessed = { ...kept(bead), readings: { voltageV: 'estimate', wireSpeedMPerMin: 'dial' } as const };
    expect(draftFromLast(guessed, ID(17)).readings).toEqual({ voltageV: 'estimate' });
    const timed = { ...kept(bead), readings: { travelSpeedMmPerMin: 'digital' } as const };
    expect(draftFromLast(timed, ID(19)).readings).toEqual({ travelSpeedMmPerMin: 'digital' });
    // Another device goes on with the same suspicions; after a sound bead there are none.
    expect(draftFromLast(kept(bead), ID(14)).suspects).toEqual(next.suspects);
    expect(draftFromLast({ ...kept(bead), outcome: 'sound' }, ID(15)).suspects).toEqual({});
    const { leaves: _, cured: __, ...older } = kept(bead);
    expect(draftFromLast(older, ID(16)).suspects).toEqual({});
  });

  it('keeps what the beads before had left, so that its case says the same again, and goes back to it', () => {
    const { draft, said } = logged();
    const next = { ...draftAfter(draft, said, 'one', ID(10)), findings: { 'toe-undercut': 'present' as const } };
    const input = caseOf(SETUP, JOB, { ...next, experience: { suspects: suspectsOf(next) } }, USUAL_HABITS.schools);
    const second = beadFrom(next, input, answer(input), RAN, USUAL_HABITS, NOW);
    expect(beadProblems(second)).toEqual([]);
    expect(second.experience?.suspects?.length).toBeGreaterThan(3);
    expect(caseOfBead(kept(second), SETUP, { job: JOB })).toEqual(input);
    expect(draftFromBead(second, ID(17)).suspects).toEqual(next.suspects);
    const { leaves, ...older } = kept(second);
    const odd = {
      findings: { 'retired-look': 'present' as const, 'check-tip': 'present' as const },
      suspects: leaves!.suspects,
    };
    expect(draftFromLast({ ...older, leaves: odd }, ID(18)).findings).toEqual({ 'check-tip': 'present' });
    const retired = { suspects: [{ cause: 'retired-cause', times: 9 }] };
    expect(caseOfBead({ ...kept(second), experience: retired }, SETUP, { job: JOB }).experience?.suspects).toEqual([]);
  });
});

describe('a kept move in words', () => {
  const words = (units: UnitSystem, move = logged().bead.move!): string => moveInWords(move, dialsOf(SETUP), units);

  it('is in the units of the reader and on the dial it was made on', () => {
    const wire = {
      kind: 'setting' as const,
      setting: 'wireSpeedMPerMin' as const,
      from: 7.62,
      to: 6.35,
      text: 'old words',
    };
    expect(words('inch', wire)).toBe('less wire, 300 → 250 in/min');
    const control = { kind: 'setting' as const, setting: 'arcControlPct' as const, from: 50, to: 70, text: '' };
    expect(words('metric', control)).toBe('arc control softer, 50 → 70 %, knob 50 → 30');
    expect(words('metric', { ...control, from: null })).toBe('set arc control, ? → 70 %, knob ? → 30');
    expect(words('inch', { kind: 'remedy', text: 'Strip 25 mm back.' })).toBe('Strip 1 in back.');
  });

  it('has all that belongs to it: volts and wire are turned together', () => {
    const pair = logged(
      SETUP,
      { ...JOB, thicknessMm: 8, otherThicknessMm: 8 },
      { voltageV: 17.2, wireSpeedMPerMin: 4.5, stickOutMm: 11, gasFlowLPerMin: 11 },
      { 'bead-ropey': 'present', 'sound-crisp': 'present', 'back-no-mark': 'present' },
    );
    expect(words('metric', pair.bead.move!)).toMatch(/^(volts up|more wire), .* → .*; (volts up|more wire), .* → /);
    expect(beadProblems(pair.bead)).toEqual([]);
    expect(beadProblems({ ...pair.bead, move: { ...pair.bead.move!, with: [{}] } })).not.toEqual([]);
    expect(takenMove([])).toBeNull();
    // Whoever opens the coupon on another device has the same next bead before them.
    const { settings } = draftFromLast({ ...pair.bead, outcome: null }, ID(21));
    expect(settings).toEqual(draftAfter(draftFromBead(pair.bead, ID(22)), pair.said, 'one', ID(23)).settings);
    expect(settings.voltageV).toBeGreaterThan(17.2);
    expect(settings.wireSpeedMPerMin).toBeGreaterThan(4.5);
  });

  it('is kept as figures, a remedy as its text', () => {
    const [turn] = logged().said.correction.moves;
    expect(takenMove([turn])).toEqual(expect.objectContaining({ kind: 'setting', setting: 'voltageV', from: 16.5 }));
    const clogged = logged(
      SETUP,
      JOB,
      { voltageV: 20, wireSpeedMPerMin: 7.5 },
      { 'nozzle-clogged': 'present', 'holes-scattered': 'present' },
    );
    expect(clogged.bead.move).toEqual({
      kind: 'remedy',
      cause: 'nozzle-blocked',
      text: expect.stringContaining('nozzle'),
    });
    expect(beadProblems(clogged.bead)).toEqual([]);
  });
});

describe('a bead in a word or two', () => {
  it('is its judgement, else the first thing it showed, else nothing yet', () => {
    const shown = {
      findings: { 'check-nozzle': 'present', 'bead-flat': 'absent', 'bead-ropey': 'present' },
      names: { 'bead-ropey': 'Ropey' },
    } as Pick<Bead, 'findings' | 'names'>;
    expect(firstShown(shown)).toBe('Ropey');
    expect(firstShown({ findings: { 'bead-purple': 'present' }, names: {} })).toBe('bead purple');
    expect(firstShown({ findings: {}, names: {} })).toBeNull();
    expect(outcomeWords({ outcome: 'same', shows: 'Ropey' })).toBe('no change');
    expect(outcomeWords({ outcome: null, shows: 'Ropey' })).toBe('ropey');
    expect(outcomeWords({ outcome: null, shows: null })).toBe('not judged');
  });
});

describe('what is sent to be kept', () => {
  const fields = (problems: { field: string }[] | null) => problems?.map(({ field }) => field) ?? [];

  it('is refused field by field', () => {
    const { bead } = logged();
    const move = { kind: 'setting' as const, setting: 'voltageV' as const, from: 18, to: 20, text: '' };
    expect(beadProblems({ ...bead, move })).toEqual([]);
    expect(fields(beadProblems({ ...bead, move: { ...move, to: 51 } }))).toEqual(['move.to']);
    expect(fields(beadProblems({ ...bead, move: { ...move, from: 7, to: 51 } }))).toEqual(['move.from', 'move.to']);
    expect(beadProblems({ ...bead, move: { ...move, from: null } })).toEqual([]);
    expect(fields(fieldsProblems('change-bead', {}, ID(1)))).toEqual(['body']);
    expect(fields(fieldsProblems('change-bead', { number: 3 }, ID(1)))).toEqual(['number']);
    expect(fieldsProblems('change-bead', { outcome: null, note: '', takenBack: false }, ID(1))).toEqual([]);
    const rig = { id: ID(4), name: 'Dock set', note: '', setup: SETUP };
    expect(validateRig(rig).problems).toBeNull();
    expect(fields(validateRig({ ...rig, name: ' ' }).problems)).toEqual(['name']);
    const upside = { ...SETUP, rig: { range: { voltageV: { low: 30, high: 14, step: 1 } } } };
    expect(fields(validateRig({ ...rig, setup: upside }).problems)).toEqual(['setup.rig.range.voltageV']);
    const coupon = {
      id: ID(5),
      rigId: ID(4),
      title: 'Plate',
      createdAt: NOW.toISOString(),
      job: { id: ID(6), at: NOW.toISOString(), job: JOB },
    };
    expect(validateCoupon(coupon).problems).toBeNull();
    expect(fields(validateCoupon({ ...coupon, job: { ...coupon.job, job: { thicknessMm: 900 } } }).problems)).toEqual([
      'job.job.thicknessMm',
    ]);
  });
});
