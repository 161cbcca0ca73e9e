import fc from 'fast-check';
import { answer } from '../answer';
import { sprayTransitionCurrent } from '../arc/transfer';
import { validateCase } from '../case/validate';
import type { Case } from '../case/schema';
import { boundsFor } from './bounds';
import { procedureNotes, withinProcedure, type Procedure } from './procedure';
import { situation, STEADY } from './testing/situation';
import { variant } from './testing/work';

const BASE = situation();
const BOUNDS = boundsFor(variant({}), BASE);
const within = (procedure: Procedure) => withinProcedure(BOUNDS, BASE.setup, procedure);
const STUBBING = { 'wire-stubs': 'present', 'bead-ropey': 'present', 'sound-popping': 'present' };
const job = (procedure: Procedure): object => ({ procedure });

describe('the limits of a procedure', () => {
  it('narrow what can be set, and leave open what they do not name', () => {
    expect(withinProcedure(BOUNDS, BASE.setup, undefined)).toBe(BOUNDS);
    const { voltageV, wireSpeedMPerMin } = within({ voltageV: { low: 18, high: 20 }, wireSpeedMPerMin: { high: 6 } });
    expect(voltageV).toEqual({ ...BOUNDS.voltageV, low: 18, high: 20, strict: true });
    expect(wireSpeedMPerMin).toEqual({ ...BOUNDS.wireSpeedMPerMin, high: 6, strict: true });
    expect(within({ voltageV: { low: 18, high: 20 } }).stickOutMm).toEqual(BOUNDS.stickOutMm);
  });

  it('hold the current by the wire, and the transfer by staying well on its side of spray', () => {
    expect(within({ currentA: { low: 100, high: 140 } }).wireSpeedMPerMin.high).toBeLessThan(7);
    expect(within({ currentA: { low: 100, high: 140 } }).wireSpeedMPerMin.low).toBeGreaterThan(3);
    const transition = sprayTransitionCurrent(BASE.setup.wire, BASE.setup.gas)!;
    expect(transition).toBeGreaterThan(190);
    const short = within({ transfer: 'short-circuit' }).wireSpeedMPerMin;
    const spray = within({ transfer: 'spray' }).wireSpeedMPerMin;
    expect(short.high).toBeLessThan(spray.low);
    expect(short.low).toBe(BOUNDS.wireSpeedMPerMin.low);
    const { high, step } = BOUNDS.wireSpeedMPerMin;
    expect(spray.high).toBeLessThanOrEqual(high);
    expect(spray.high).toBeGreaterThan(high - step);
  });

  it('leave a machine that does not reach them at its nearest end', () => {
    const machine = { ...BOUNDS, voltageV: { low: 14, high: 18, step: 0.5 } };
    const out = withinProcedure(machine, BASE.setup, { voltageV: { low: 20, high: 22 } }).voltageV;
    expect([out.low, out.high]).toEqual([18, 18]);
  });

  it('give no figures where the machine does not reach the transfer that is asked for', () => {
    // Volts end at 22: a spray of 1.2 mm wants 24 and more.
    const asked = (high: number) =>
      answer(
        variant({
          job: { baseMetal: 'stainless', thicknessMm: 20, otherThicknessMm: 20, procedure: { transfer: 'spray' } },
          rig: {
            wire: { class: 'solid-stainless', diameterMm: 1.2 },
            gas: { argonPct: 98, co2Pct: 2 },
            range: {
              voltageV: { low: 13, high, step: 0.1 },
              wireSpeedMPerMin: { low: 1.5, high: 20, step: 0.2 },
            },
          },
          settings: { voltageV: 20, wireSpeedMPerMin: 7.2 },
        }),
      );
    expect(
      asked(22)
        .held.map(({ text }) => text)
        .join(),
    ).toMatch(/allows spray, and no setting inside that/);
    expect(asked(36).held).toEqual([]);
    expect(asked(36).correction.after!.transfer).toBe('spray');
  });

  it('stand upright', () => {
    const { problems } = validateCase(variant({ job: job({ voltageV: { low: 22, high: 20 } }) }));
    expect(problems!.map(({ field }) => field)).toEqual(['job.procedure.voltageV.low', 'job.procedure.voltageV.high']);
    expect(validateCase(variant({ job: job({ voltageV: { low: 20, high: 20 } }) })).problems).toBeNull();
    expect(validateCase(variant({ job: job({ voltageV: {} }) })).problems).not.toBeNull();
  });
});

describe('a correction under a procedure', () => {
  const SPANS = { voltageV: { low: 17.5, high: 19 }, wireSpeedMPerMin: { low: 5, high: 7 } };
  /** A knob turned by tenths sums up to figures that are off by this: 19.000000000000004 V is 19 V, and stays. */
  const SUM = 1e-9;

  it('leaves a figure alone that stands on its edge but for the rounding of a sum', () => {
    const onEdge = { voltageV: 19.000000000000004, wireSpeedMPerMin: 5 - 1e-12 };
    const { moves, procedure } = answer(
      variant({ job: job(SPANS), settings: onEdge, findings: { 'holes-through': 'present' } }),
    ).correction;
    const turned = moves.flatMap((move) => (move.kind === 'setting' ? [Math.abs(move.to - (move.from ?? 0))] : []));
    expect(turned.every((by) => by > 0.05)).toBe(true);
    expect(procedure.join(' ')).not.toContain('leaves it');
  });

  it('never proposes a figure outside it, whatever the bead shows', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 14, max: 26, noNaN: true }),
        fc.double({ min: 3, max: 11, noNaN: true }),
        fc.constantFrom('bead-ropey', 'bead-flat', 'holes-through', 'back-no-mark', 'wire-stubs', 'arc-long'),
        fc.boolean(),
        (voltageV, wireSpeedMPerMin, id, known) => {
          const settings = known
            ? { voltageV, wireSpeedMPerMin }
            : { voltageV: undefined, wireSpeedMPerMin: undefined };
          const { correction } = answer(variant({ job: job(SPANS), settings, findings: { [id]: 'present' } }) as Case);
          expect(correction.settings.voltageV!).toBeGreaterThanOrEqual(17.5 - SUM);
          expect(correction.settings.voltageV!).toBeLessThanOrEqual(19 + SUM);
          expect(correction.settings.wireSpeedMPerMin!).toBeGreaterThanOrEqual(5 - SUM);
          expect(correction.settings.wireSpeedMPerMin!).toBeLessThanOrEqual(7 + SUM);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('brings a figure back that leaves it by less than a turn is worth', () => {
    const { settings } = answer(
      variant({ job: job({ voltageV: { high: 19.8 } }), settings: { voltageV: 20 }, findings: {} }),
    ).correction;
    expect(settings.voltageV).toBeCloseTo(19.8, 9);
  });

  it('says what the bead would want and the procedure does not allow', () => {
    const held = answer(variant({ job: job({ voltageV: { low: 15, high: 18 } }), findings: STUBBING }));
    expect(held.correction.settings.voltageV).toBeLessThanOrEqual(18);
    expect(held.correction.procedure.join(' ')).toMatch(/would want (19|20|21)\.\d V.*ask whoever signs it/);
    const open = answer(variant({ job: job({ voltageV: { low: 15, high: 24 } }), findings: STUBBING }));
    expect(open.correction.procedure).toEqual([]);
    expect(open.correction.settings.voltageV).toBe(
      answer(variant({ findings: STUBBING })).correction.settings.voltageV,
    );
  });

  it('says where today leaves it: volts, wire, amps, transfer', () => {
    const notes = (procedure: Procedure): string =>
      answer(variant({ job: job(procedure), settings: { voltageV: 20 }, findings: {} })).correction.procedure.join(' ');
    expect(notes({ voltageV: { high: 19 } })).toContain('allows 19 V at most; 20 V leaves it');
    expect(notes({ wireSpeedMPerMin: { low: 8 } })).toContain('8 m/min at least of wire; 7.5 m/min leaves it');
    expect(notes({ currentA: { low: 100, high: 140 } })).toMatch(
      /allows 100 to 140 A; these figures give about 1\d\d A/,
    );
    expect(notes({ transfer: 'spray' })).toContain('for spray; these figures run in short circuit');
    expect(notes({ transfer: 'short-circuit', voltageV: { low: 18, high: 22 } })).toBe('');
  });

  it('does not drift into spray where the procedure is short circuit, though the plate wants the current', () => {
    const cold = { 'back-no-mark': 'present', 'toe-cold-lap': 'present' };
    const rig = { wire: { class: 'solid-steel', diameterMm: 0.9 }, gas: { argonPct: 92, co2Pct: 8 } };
    const on = (procedure: Procedure | undefined) =>
      answer(
        variant({
          rig,
          job: { thicknessMm: 8, otherThicknessMm: 8, position: 'flat', ...(procedure && { procedure }) },
          settings: { voltageV: 17, wireSpeedMPerMin: 4.5 },
          findings: cold,
        }),
      );
    const transition = sprayTransitionCurrent(
      { class: 'solid-steel', diameterMm: 0.9 },
      { argonPct: 92, co2Pct: 8, oxygenPct: 0, heliumPct: 0 },
    )!;
    expect(on(undefined).correction.after!.currentA!).toBeGreaterThan(transition);
    const held = on({ transfer: 'short-circuit' }).correction;
    expect(held.after!.currentA!).toBeLessThan(0.95 * transition);
    expect(held.procedure.join()).toContain('does not allow');
  });

  it('says nothing of figures that are not known, and of a current by the stick-out that is', () => {
    const UNKNOWN = { voltageV: null, wireSpeedMPerMin: null, stickOutMm: null, gasFlowLPerMin: null };
    const procedure: Procedure = {
      voltageV: { low: 30, high: 31 },
      wireSpeedMPerMin: { low: 9 },
      currentA: { low: 182, high: 230 },
    };
    const notes = (today: object): string[] =>
      procedureNotes(procedure, BASE.setup, { ...UNKNOWN, ...today }, { to: STEADY, free: STEADY }, null);
    const leaving = (today: object): number =>
      notes(today).filter((note) => /leaves it|these figures give/.test(note)).length;
    expect(leaving({})).toBe(0);
    expect(leaving({ voltageV: 20 })).toBe(1);
    expect(leaving({ voltageV: 30.5 })).toBe(0);
    expect(leaving({ wireSpeedMPerMin: 7.5 })).toBe(2);
    // A nearer tip gives the same wire more current: 10 and 20 mm leave the amps, 5 mm hold them.
    expect(notes({ wireSpeedMPerMin: 7.5, stickOutMm: 20 }).join()).toContain('these figures give');
    expect(notes({ wireSpeedMPerMin: 7.5, stickOutMm: 5 }).join()).not.toContain('these figures give');
  });

  it('keeps the heat input by the pace', () => {
    const note = (travelMmPerMin: number, heatInputKJPerMm: { low?: number; high?: number }): string =>
      procedureNotes(
        { heatInputKJPerMm },
        BASE.setup,
        { ...STEADY },
        { to: STEADY, free: STEADY },
        travelMmPerMin,
      ).join();
    // 20 V and about 168 A at 200 mm/min: 0.8 x 20 x 168 x 60 / 200000 = 0.8 kJ/mm.
    expect(note(200, { high: 0.5 })).toMatch(
      /is 0\.8\d kJ\/mm; the procedure allows 0\.5 kJ\/mm at most: travel at 350 mm\/min or faster/,
    );
    expect(note(800, { low: 0.5 })).toMatch(/travel at 340 mm\/min or slower/);
    expect(note(400, { low: 0.3, high: 0.6 })).toBe('');
  });
});
