import { answer, startAnswer } from '../answer';
import { CASE_FORMAT, CONCERNS, PLACES, SURFACES, WORKPIECES, type Case, type Job } from '../case/schema';
import { RIGS } from '../cases/rigs';
import { CAUTIONS } from '../knowledge/cautions';
import { cautionsFor } from './cautions';
import { safetyGate, suggestedQuestions, withAnswer, withDealtWith } from './safety-gate';

const GAS = { usesGas: true };
const caseOf = (job: Job, fields: Partial<Case> = {}): Case => ({
  format: CASE_FORMAT,
  job: { baseMetal: 'mild-steel', thicknessMm: 4, ...job },
  rig: RIGS.mix09,
  ...fields,
});
const gateOf = (job: Job) => safetyGate(CAUTIONS, caseOf(job), GAS);
const asked = (job: Job): string[] => gateOf(job).asks.map(({ concern }) => concern);

describe('what a job suggests', () => {
  it('is one question on a clean bracket in the workshop, once, and none on a trial', () => {
    const bracket: Job = { workpiece: 'plate', place: 'workshop', critical: 'usual', surface: ['clean'] };
    const [question] = gateOf({ ...bracket, title: 'Angle bracket' }).asks;
    expect(question).toEqual({
      concern: 'code-work',
      text: expect.stringMatching(/^Could anyone be hurt if it breaks\?/),
      answers: [
        { isSo: false, text: 'Nobody could be hurt' },
        { isSo: true, text: 'Somebody could be hurt' },
      ],
      because: null,
    });
    expect(gateOf({ ...bracket, ruledOut: ['code-work'] })).toEqual({ asks: [], stops: [] });
    expect(gateOf({ ...bracket, critical: 'trial' })).toEqual({ asks: [], stops: [] });
  });

  it('is what its title names, a trial too, and says which words', () => {
    const asks = gateOf({ critical: 'trial', title: 'Lifting lug for hatch' }).asks;
    expect(asks).toEqual([
      expect.objectContaining({
        concern: 'code-work',
        because: '"lifting" in the title: lifts or hangs a load.',
      }),
    ]);
    expect(asked({ title: 'Fuel tank strap' })).toEqual(['closed-container', 'code-work']);
    expect(gateOf({ title: 'Galvanized stock rail' }).stops.map(({ of }) => of)).toEqual([{ coat: 'zinc' }]);
    expect(gateOf({ title: 'Galvanized stock rail', stripped: ['zinc'] }).stops).toEqual([]);
  });

  it.each<[Job, string[]]>([
    [{ workpiece: 'tank' }, ['closed-container', 'chlorinated-residue', 'confined-space', 'code-work']],
    [{ workpiece: 'vehicle' }, ['hidden-cavity', 'vehicle-near', 'hydraulic-line', 'code-work']],
    [{ workpiece: 'machinery' }, ['hydraulic-line', 'code-work']],
    [{ workpiece: 'tube' }, ['hidden-cavity', 'code-work']],
    [{ place: 'pit' }, ['confined-space', 'sinking-gas', 'code-work', 'fire-nearby']],
    [{ surface: ['paint'] }, ['code-work', 'old-paint']],
    [{ surface: ['zinc'] }, ['code-work', 'cadmium-or-lead']],
    [{ surface: ['oil'] }, ['chlorinated-residue', 'code-work']],
    [{ critical: 'careful' }, ['code-work']],
  ])('%j: %j', (job, concerns) => {
    expect(asked(job)).toEqual(concerns);
  });

  it('asks for every concern there is on some job, each with two answers that say what is so', () => {
    const jobs: Job[] = [
      ...WORKPIECES.map((workpiece): Job => ({ workpiece })),
      ...PLACES.map((place): Job => ({ place })),
      ...SURFACES.map((surface): Job => ({ surface: [surface] })),
    ];
    const questions = jobs.flatMap((job) => suggestedQuestions(CAUTIONS, { job }, GAS));
    expect(new Set(questions.map(({ concern }) => concern))).toEqual(new Set(CONCERNS));
    for (const { text, answers } of questions) {
      expect(text).toContain('?');
      expect(answers.map(({ isSo }) => isSo)).toEqual([false, true]);
      for (const { text: answer } of answers) expect(answer).not.toMatch(/^(yes|no)$/i);
    }
  });
});

describe('the gate', () => {
  const vehicle: Job = { workpiece: 'vehicle' };

  it('opens when each question is answered no', () => {
    const said = asked(vehicle).reduce((job, concern) => withAnswer(job, concern as never, false), vehicle);
    expect(gateOf(said)).toEqual({ asks: [], stops: [] });
  });

  it.each(CAUTIONS.filter(({ stop, concern }) => stop && concern !== undefined).map(({ concern }) => concern!))(
    'is shut by a yes to %s until that is made safe, with the reason and what has to be so first',
    (concern) => {
      const yes = withAnswer({}, concern, true);
      const { stops } = gateOf(yes);
      expect(stops).toEqual([expect.objectContaining({ of: { concern }, text: expect.stringMatching(/^Stop\. /) })]);
      expect(stops[0].first.length).toBeGreaterThan(8);
      const safe = withDealtWith(yes, stops[0].of);
      expect(gateOf(safe).stops).toEqual([]);
      // Answered anew, it has to be made safe anew.
      expect(gateOf(withAnswer(withAnswer(safe, concern, false), concern, true)).stops).toHaveLength(1);
    },
  );

  it('is shut by a coat of zinc until both faces are stripped', () => {
    const [stop] = gateOf({ surface: ['zinc'] }).stops;
    expect(stop).toEqual(expect.objectContaining({ id: 'zinc-fume', of: { coat: 'zinc' } }));
    expect(gateOf(withDealtWith({ surface: ['zinc'] }, stop.of)).stops).toEqual([]);
  });

  it('is not shut by a fire nearby, which is minded and not stopped for', () => {
    expect(gateOf({ ...withAnswer({ place: 'site' }, 'fire-nearby', true), ruledOut: ['code-work'] })).toEqual({
      asks: [],
      stops: [],
    });
  });

  it('goes with the answer of a bead and of a start', () => {
    const input = caseOf(vehicle);
    expect(answer(input).gate).toEqual(gateOf(vehicle));
    expect(startAnswer(input).gate).toEqual(gateOf(vehicle));
  });
});

describe('a caution that was dealt with', () => {
  const notes = (job: Job, findings: Case['findings'] = {}) =>
    cautionsFor(CAUTIONS, caseOf(job, { findings }), GAS as never, []);

  it('is no stop any more, and stands as what was said', () => {
    const safe = notes({ surface: ['zinc'], stripped: ['zinc'] }).find(({ id }) => id === 'zinc-fume');
    expect(safe).toEqual({
      ...{ id: 'zinc-fume', stop: false },
      text: 'Said to be so: both faces stripped 25 mm back. Keep it so.',
    });
  });

  it('is a stop again once the bead shows that it was not', () => {
    const [first] = notes({ surface: ['zinc'], stripped: ['zinc'] }, { 'residue-white': 'present' });
    expect(first).toEqual(expect.objectContaining({ id: 'zinc-fume', stop: true }));
  });
});

describe('zinc that nobody spoke of', () => {
  const zincIn = (input: Case) =>
    answer(input)
      .cautions.filter(({ id }) => id.startsWith('zinc'))
      .map(({ id, stop }) => ({ id, stop }));
  const STOP = [{ id: 'zinc-fume', stop: true }];
  /** Holes and fume speak for zinc among others, and no one has seen a coat. */
  const holes = { 'holes-scattered': 'present', 'fume-heavy': 'present', 'sound-sputter': 'present' } as const;

  it('is looked for, and stops nothing before it is found', () => {
    const suspected = caseOf({}, { findings: holes });
    expect(answer(suspected).causes.find(({ cause }) => cause === 'plate-zinc')!.probability).toBeGreaterThan(0.2);
    expect(zincIn(suspected)).toEqual([{ id: 'zinc-suspected', stop: false }]);
    expect(zincIn({ ...suspected, findings: { ...holes, 'check-zinc': 'present' } })).toEqual(STOP);
    expect(zincIn(caseOf({}, { findings: { 'residue-white': 'present' } }))).toEqual(STOP);
  });

  it('is not read from the powder that a self-shielded wire leaves beside every bead', () => {
    const rig = { wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, gas: null } as const;
    expect(zincIn(caseOf({}, { rig, findings: { 'residue-white': 'present' } }))).toEqual([]);
    expect(zincIn(caseOf({}, { rig, findings: { 'check-zinc': 'present' } }))).toEqual(STOP);
    expect(zincIn(caseOf({ surface: ['zinc'] }, { rig }))).toEqual(STOP);
  });
});
