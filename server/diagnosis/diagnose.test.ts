import type { Answer, HeldStart, StartAnswer } from '../../core/answer';
import { EXAMPLE_CASE } from '../../core/cases/example';
import { openWorkshop, type Workshop } from '../testing/workshop';

let shop: Workshop;
beforeAll(async () => {
  shop = await openWorkshop({ demo: false });
});
afterAll(() => shop.stop());

describe('POST /api/diagnose', () => {
  it('answers the worked example with cause, corrected volts and cautions', async () => {
    const { status, json } = await shop.send('POST', '/diagnose', EXAMPLE_CASE);
    const said = json as {
      causes: { cause: string; name: string; probability: number }[];
      arc: { balancedVoltageV: number };
      correction: { settings: { voltageV: number } };
      cautions: unknown[];
    };
    expect(status).toBe(200);
    expect(said.causes[0]).toEqual(expect.objectContaining({ cause: 'voltage-low', name: 'Voltage too low' }));
    expect(said.causes[0].probability).toBeGreaterThan(0.5);
    expect(Math.abs(said.correction.settings.voltageV - said.arc.balancedVoltageV)).toBeLessThan(1);
    expect(said.cautions.length).toBeGreaterThan(2);
  });

  it('answers with every kind of move and reason as it is described, with what rig and coupon have taught', async () => {
    const taught = {
      ...EXAMPLE_CASE,
      findings: { ...EXAMPLE_CASE.findings, 'check-tip': 'present', 'holes-scattered': 'present' },
      experience: {
        machine: { offsetV: -0.8, wireScale: 1.03, sure: { offsetSdV: 0.4, wireScaleSd: 0.03 } },
        suspects: [{ cause: 'plate-dirty', times: 6 }],
        causes: [{ cause: 'nozzle-blocked', confirmed: 3, beads: 10 }],
      },
    };
    const { status, json } = await shop.send('POST', '/diagnose', taught);
    const said = json as {
      causes: { cause: string; because: { evidence: string }[] }[];
      correction: { moves: { kind: string }[] };
    };
    expect(status).toBe(200);
    expect(said.correction.moves).toContainEqual(expect.objectContaining({ kind: 'remedy', seen: true }));
    const evidence = said.causes.flatMap(({ because }) => because.map((reason) => reason.evidence));
    expect(evidence).toEqual(expect.arrayContaining(['coupon:beads', 'rig:experience']));
    const far = { ...taught, experience: { machine: { offsetV: 9, wireScale: 1, sure: null } } };
    const refused = (await shop.send('POST', '/diagnose', far)).json as { fields: { field: string }[] };
    expect(refused.fields.map(({ field }) => field)).toEqual(['experience.machine.offsetV']);
  });

  it('takes the beads before into account, and names what is wrong of which of them', async () => {
    const settings = { ...EXAMPLE_CASE.settings, voltageV: 20 };
    const bead = { settings, findings: { 'holes-scattered': 'present' } };
    const earlier = [
      { ...bead, cured: ['nozzle-blocked'] },
      { ...bead, outcome: 'same', looked: { 'check-bright': 'present' } },
    ];
    const now = { ...EXAMPLE_CASE, ...bead, earlier };
    const said = (await shop.send('POST', '/diagnose', now)).json as Answer;
    expect(said.causes[0].cause).toBe('plate-dirty');
    const { because } = said.causes.find(({ cause }) => cause === 'nozzle-blocked') ?? { because: [] };
    expect(because.every(({ evidence, weight }) => evidence !== 'coupon:beads' || weight < 0)).toBe(true);
    const wrong = { ...now, earlier: [bead, { ...bead, settings: { gasFlowLPerMin: -3 } }] };
    const refused = (await shop.send('POST', '/diagnose', wrong)).json as { fields: { field: string }[] };
    expect(refused.fields.map(({ field }) => field)).toEqual(['earlier.1.settings.gasFlowLPerMin']);
    expect((await shop.send('POST', '/start', { ...now, findings: {} })).status).toBe(200);
  });

  it('says what lies outside the arc model', async () => {
    const refusing = await openWorkshop({ diagnose: () => Promise.reject(new RangeError('stick-out takes 3 to 50')) });
    expect((await refusing.send('POST', '/diagnose', EXAMPLE_CASE)).json).toEqual(
      expect.objectContaining({ status: 422, code: 'outside-model', detail: 'stick-out takes 3 to 50.' }),
    );
    await refusing.stop();
  });
});

describe('POST /api/start', () => {
  const { settings: _, findings: __, ...job } = EXAMPLE_CASE;

  it('answers a case without settings with figures, passes, technique and cautions', async () => {
    const { status, json } = await shop.send('POST', '/start', job);
    const said = json as StartAnswer;
    expect(status).toBe(200);
    expect(said.settings.voltageV).toBeGreaterThan(17);
    expect(said.settings.wireSpeedMPerMin).toBeGreaterThan(5);
    expect(said.passes).toHaveLength(1);
    expect(said.technique.workAngleDeg).toBe(55);
    expect(said.cautions.length).toBeGreaterThan(2);
    expect(said.outOfReach).toEqual([]);
    // What a bead had or showed is not asked.
    expect((await shop.send('POST', '/start', EXAMPLE_CASE)).json).toEqual(json);
  });

  it('answers as it is described for sheet that is stitched, a root of its own, and what is out of reach', async () => {
    const on = async (plate: object): Promise<StartAnswer> =>
      (await shop.send('POST', '/start', { ...job, job: { ...job.job, otherThicknessMm: undefined, ...plate } }))
        .json as StartAnswer;
    expect((await on({ thicknessMm: 1, lengthMm: 200 })).stitch!.order.length).toBeGreaterThan(3);
    expect((await on({ thicknessMm: 8, joint: 'butt', gapMm: 2 })).passes[0].settings).not.toBeNull();
    const up = await on({ thicknessMm: 14, position: 'vertical-up' });
    expect(up.outOfReach.join()).toContain('Slow down until both sides melt');
    expect(up.passes.length).toBeGreaterThan(1);
    const tank = await on({ thicknessMm: 3, concerns: ['closed-container'] });
    expect(tank.cautions).toContainEqual(expect.objectContaining({ stop: true }));
  });

  it('takes the usual nozzle where none is said, and proposes no flow of nothing', async () => {
    const { nozzleBoreMm: ___, ...rig } = job.rig!;
    const said = (await shop.send('POST', '/start', { ...job, rig })).json as StartAnswer;
    expect(said.settings.gasFlowLPerMin!).toBeGreaterThan(8);
    expect(said.assumed).toContain('13 mm nozzle');
  });

  it('gives no figure on a rig that cannot weld the job, and says what to put right', async () => {
    const aluminium = { ...job, job: { ...job.job, baseMetal: 'aluminium' } };
    const said = (await shop.send('POST', '/start', aluminium)).json as HeldStart;
    expect([said.settings, said.marks, said.passes]).toEqual([{}, {}, []]);
    expect(said.held.map(({ part }) => part)).toEqual(['wire']);
  });

  it('asks by the title what can hurt, each with its concern and both answers', async () => {
    const lug = { ...job, job: { ...job.job, title: 'Lifting lug for hatch' } };
    const { gate } = (await shop.send('POST', '/start', lug)).json as StartAnswer;
    expect(gate.asks).toContainEqual(
      expect.objectContaining({ concern: 'code-work', because: '"lifting" in the title: lifts or hangs a load.' }),
    );
    const diagnosed = (await shop.send('POST', '/diagnose', { ...EXAMPLE_CASE, job: lug.job })).json as Answer;
    expect(diagnosed.gate).toEqual(gate);
  });

  it('says that it needs the wire, and names a field that is wrong', async () => {
    const { wire: ___, ...rig } = job.rig!;
    expect((await shop.send('POST', '/start', { ...job, rig })).json).toEqual(
      expect.objectContaining({ status: 422, detail: expect.stringContaining('diameter of the wire') as string }),
    );
    const thin = await shop.send('POST', '/start', { ...job, job: { ...job.job, thicknessMm: 0 } });
    expect((thin.json as { fields: { field: string }[] }).fields[0].field).toBe('job.thicknessMm');
  });
});
