import fc from 'fast-check';
import { answer, hasFigures, startAnswer, type StartAnswer } from '../answer';
import { passCeiling, wireWindow } from '../arc/wire-window';
import { completeMix } from '../case/gas-mix';
import { EXAMPLE_CASE } from '../cases/example';
import { BASE_METALS, JOINTS, POSITIONS, type Case } from '../case/schema';
import { draws } from '../testing/draws';
import { dialToValue, valueToDial } from '../setting/dial';
import type { RigPart } from './rig-check';
import { withoutBead } from './start';
import { DEFAULT_RIG, GOOD_SIGNS, onJob, otherJobs, startJobs, startOn } from './testing/jobs';

const plate = (job: object, rig: object = {}) => startOn(onJob(job, rig));

describe('what to start with', () => {
  it('asks no figure of a bead and no finding: a case with them gets the same', () => {
    const { settings: _, findings: __, ...bare } = EXAMPLE_CASE;
    expect(startOn(EXAMPLE_CASE)).toEqual(startOn(bare));
  });

  it('says of itself nothing where the wire is not known', () => {
    const { wire: _, ...rig } = EXAMPLE_CASE.rig!;
    expect(() => startOn({ ...EXAMPLE_CASE, rig })).toThrow('class and the diameter of the wire');
    expect(answer({ ...EXAMPLE_CASE, rig, settings: {}, findings: {} }).start).toBeNull();
    expect(answer(EXAMPLE_CASE).start).toBeNull();
    const looked = { ...EXAMPLE_CASE, findings: { 'check-nozzle': 'absent', 'bead-ropey': 'unknown' } } as const;
    expect(answer(looked).start!.expected.currentA).toBeGreaterThan(100);
  });

  it.each([
    // Bands of charts and practice for mild steel, flat or horizontal: amps of the plate, volts and wire of the wire.
    ['0.8 mm sheet on 0.6 mm wire', { thicknessMm: 0.8 }, 0.6, [45, 65], [14, 16.5]],
    ['1.5 mm sheet on 0.8 mm wire', { thicknessMm: 1.5 }, 0.8, [75, 105], [15, 18]],
    ['3 mm plate on 0.9 mm wire', { thicknessMm: 3 }, 0.9, [115, 145], [17, 20]],
    ['5 mm plate on 1.0 mm wire', { thicknessMm: 5 }, 1.0, [150, 195], [18.5, 22.5]],
  ] as const)('lies in the band of %s', (_, job, diameterMm, [lowA, highA], [lowV, highV]) => {
    const { settings, expected } = plate(job, { wire: { class: 'solid-steel', diameterMm } });
    expect(expected.currentA).toBeGreaterThanOrEqual(0.95 * lowA);
    expect(expected.currentA).toBeLessThanOrEqual(1.05 * highA);
    expect(settings.voltageV).toBeGreaterThanOrEqual(lowV);
    expect(settings.voltageV).toBeLessThanOrEqual(highV);
  });

  it('is turned by nobody once its bead shows good signs, on any job that can be welded', () => {
    fc.assert(
      fc.property(fc.oneof(startJobs, otherJobs), (input) => {
        const start = startAnswer(input);
        fc.pre(hasFigures(start));
        const { settings } = start as StartAnswer;
        const again = answer({ ...input, settings, findings: GOOD_SIGNS });
        expect(again.correction.moves.filter(({ kind }) => kind === 'setting')).toEqual([]);
      }),
      { numRuns: draws(30, 60) },
    );
  });

  it('stays inside what wire and position carry, and has every figure', () => {
    fc.assert(
      fc.property(fc.oneof(startJobs, otherJobs), (input) => {
        const start = startAnswer(input);
        fc.pre(hasFigures(start));
        const { settings, expected, technique, times, passes } = start as StartAnswer;
        const wire = input.rig!.wire as Parameters<typeof wireWindow>[0];
        const ceiling = passCeiling(
          wire,
          completeMix(input.rig!.gas ?? { argonPct: 82, co2Pct: 18 }),
          input.job!.position!,
          input.rig!.mode === 'pulse',
          input.job!.baseMetal!,
        );
        expect(expected.currentA!).toBeLessThanOrEqual(1.05 * ceiling.currentA);
        expect(expected.currentA!).toBeGreaterThanOrEqual(0.9 * wireWindow(wire).lowA);
        for (const figure of Object.values(settings)) expect(Number.isFinite(figure)).toBe(true);
        expect(settings.travelSpeedMmPerMin).toBeGreaterThanOrEqual(20);
        expect(technique.secondsPer100Mm).toBeGreaterThan(0);
        expect(times.runInMPerMin).toBeLessThanOrEqual(Math.max(1.5, 0.5 * settings.wireSpeedMPerMin!));
        expect(passes.map(({ number }) => number)).toEqual(passes.map((_, i) => i + 1));
      }),
      { numRuns: draws(30, 60) },
    );
  });

  it('is said on the machine’s own dial, on a mark that can be set', () => {
    const volts = { step: 0.5, low: 1, high: 10, points: [2, 9].map((mark) => ({ mark, value: 13 + 1.2 * mark })) };
    const { settings, marks } = plate({ thicknessMm: 3 }, { dials: { voltageV: volts } });
    expect(marks.voltageV).toBe(`knob ${valueToDial(volts, settings.voltageV!)}`);
    expect(dialToValue(volts, valueToDial(volts, settings.voltageV!))).toBeCloseTo(settings.voltageV!, 2);
    expect(marks.wireSpeedMPerMin).toBeUndefined();
  });

  it('is set by trim in pulse, not by volts', () => {
    const pulse = plate({ thicknessMm: 4, baseMetal: 'mild-steel' }, { mode: 'pulse' });
    expect(pulse.settings).toEqual(expect.objectContaining({ trimPct: 0 }));
    expect(pulse.settings).not.toHaveProperty('voltageV');
    expect(pulse.expected.transfer).toBe('pulse');
  });
});

describe('a rig that cannot weld the job', () => {
  const STEEL = { class: 'solid-steel', diameterMm: 0.9 };
  const AL = { wire: { class: 'solid-aluminium', diameterMm: 1.2 }, gas: { argonPct: 100 } };
  it.each<[string, object, object, RigPart]>([
    ['steel wire and its gas on aluminium', { baseMetal: 'aluminium', thicknessMm: 3 }, { wire: STEEL }, 'wire'],
    ['the wrong pole', { thicknessMm: 3 }, { polarity: 'electrode-negative' }, 'polarity'],
    ['no gas', { thicknessMm: 3 }, { gas: null }, 'gas'],
    ['pure argon on steel', { thicknessMm: 3 }, { gas: { argonPct: 100 } }, 'gas'],
    ['a roll for another kind of wire', { thicknessMm: 3 }, { parts: { roll: { groove: 'u' } } }, 'roll'],
    [
      'a steel liner for aluminium',
      { baseMetal: 'aluminium', thicknessMm: 5 },
      { ...AL, parts: { liner: { kind: 'steel' } } },
      'liner',
    ],
    ['a source that is too small', { thicknessMm: 6 }, { source: { ratedA: 110, ratedPct: 20 } }, 'source'],
    [
      'a gun that is too small for a spray',
      { thicknessMm: 12, joint: 'fillet' },
      { wire: { class: 'solid-steel', diameterMm: 1.2 }, gas: { argonPct: 90, co2Pct: 10 }, gun: { ratedA: 150 } },
      'gun',
    ],
  ])('gets no figure: %s', (_, job, rig, part) => {
    const start = startAnswer(onJob(job, rig));
    expect(start.held.map((one) => one.part)).toContain(part);
    expect(start.held.every(({ holds, text }) => holds && text.endsWith('.'))).toBe(true);
    expect([start.settings, start.marks, start.passes]).toEqual([{}, {}, []]);
    expect(answer(withoutBead(onJob(job, rig))).start).toBeNull();
  });

  it('gets them where a part only wears, with the part beside them', () => {
    const { settings, misfits } = plate({ thicknessMm: 3 }, { parts: { tip: { sizeMm: 1.2 } }, nozzleBoreMm: 8 });
    expect(settings.voltageV).toBeGreaterThan(15);
    expect(misfits.map(({ part }) => part)).toEqual(['tip', 'nozzle']);
  });

  it('gets what source and gun carry where that still fuses the plate, and is told what ends it', () => {
    const start = plate({ thicknessMm: 4 }, { source: { ratedA: 140, ratedPct: 20 } });
    expect(start.expected.currentA!).toBeLessThan(145);
    expect(plate({ thicknessMm: 4 }).expected.currentA!).toBeGreaterThan(145);
  });
});

describe('what was not said', () => {
  it('is taken for the usual and named: a nozzle, the gas, the position; never a flow of nothing', () => {
    const bare = plate(
      { thicknessMm: 3, joint: undefined, position: undefined, draught: undefined },
      { nozzleBoreMm: undefined },
    );
    expect(bare.assumed).toEqual(['13 mm nozzle', 'a bead on the plate', 'flat', 'still air']);
    expect(bare.settings.gasFlowLPerMin!).toBeGreaterThan(9);
    expect(plate({ thicknessMm: 3 }, { gas: undefined }).assumed).toEqual(['82 Ar / 18 CO2']);
    expect(plate({ thicknessMm: 3 }).assumed).toEqual([]);
  });
});

describe('the hand that goes with it', () => {
  it('pushes aluminium and drags slag wire, whatever the school and the position', () => {
    for (const position of POSITIONS) {
      const aluminium = { wire: { class: 'solid-aluminium', diameterMm: 1.2 }, gas: { argonPct: 100 } };
      expect(plate({ baseMetal: 'aluminium', thicknessMm: 4, position }, aluminium).technique.gun).toBe('push');
      const slag = {
        process: 'fcaw-self-shielded',
        wire: { class: 'tubular-self-shielded', diameterMm: 0.9 },
        ...{ gas: null, polarity: 'electrode-negative' },
      };
      expect(plate({ thicknessMm: 5, position }, slag).technique.gun).not.toBe('push');
    }
  });

  it('leans toward the thicker part, and lies half way where they are alike', () => {
    const on = (otherThicknessMm: number) => plate({ thicknessMm: 3, otherThicknessMm, joint: 'fillet' }).technique;
    expect(on(3).workAngleDeg).toBe(45);
    expect(on(8).workAngleDeg).toBe(55);
    expect(on(8).aim).toContain('thicker');
    expect(on(3).aim).not.toContain('thicker');
    expect(plate({ thicknessMm: 3, joint: 'butt', position: 'horizontal' }).technique.workAngleDeg).toBe(80);
  });

  it('weaves uphill and not downhill, and counts the pace that lays the leg', () => {
    const up = plate({ thicknessMm: 5, joint: 'fillet', position: 'vertical-up' }).technique;
    expect([up.weaves, up.gun]).toEqual([true, 'push']);
    const down = plate({ thicknessMm: 3, joint: 'fillet', position: 'vertical-down' }).technique;
    expect([down.weaves, down.gun]).toEqual([false, 'drag']);
    // Not over a gap downhill, nor on stitched sheet, whatever the school.
    expect(plate({ thicknessMm: 3, joint: 'butt', gapMm: 3, position: 'vertical-down' }).technique.weaves).toBe(false);
    const weaver = { ...onJob({ thicknessMm: 1 }), preferences: { run: 'weave' as const } };
    expect(startOn(weaver).technique.weaves).toBe(false);
    expect(startOn({ ...weaver, job: { ...weaver.job, thicknessMm: 4 } }).technique.weaves).toBe(true);
    expect(down.secondsPer100Mm).toBe(Math.round(6000 / down.travelSpeedMmPerMin));
  });

  it('asks for more gas around tender metal, a longer tail at more amps, and none for wire without gas', () => {
    const of = (job: object, rig: object = {}) => plate(job, rig).times;
    expect(of({ thicknessMm: 3 }).preFlowS).toBe(0.3);
    expect(of({ thicknessMm: 3, draught: 'breeze' }).preFlowS).toBe(0.5);
    expect(of({ thicknessMm: 6 }).postFlowS!).toBeGreaterThan(of({ thicknessMm: 1 }).postFlowS!);
    const slag = {
      wire: { class: 'tubular-self-shielded', diameterMm: 0.9 },
      ...{ gas: null, polarity: 'electrode-negative' },
    };
    expect(of({ thicknessMm: 5 }, slag)).toEqual(expect.objectContaining({ preFlowS: null, postFlowS: null }));
    // Stitches are held on the trigger, and fill themselves; aluminium is told how its crater cracks.
    expect([of({ thicknessMm: 1 }).trigger, of({ thicknessMm: 3 }).trigger]).toEqual(['2T', '4T']);
    expect(of({ thicknessMm: 1 }).crater).toContain('stitch');
    expect(of({ baseMetal: 'aluminium', thicknessMm: 4 }, DEFAULT_RIG.aluminium).crater).toContain('cracks');
    for (const diameterMm of [0.6, 0.8, 1.0, 1.2]) {
      const { burnBackS } = of({ thicknessMm: 3 }, { wire: { class: 'solid-steel', diameterMm } });
      expect(burnBackS).toBeGreaterThanOrEqual(0.1);
      expect(burnBackS).toBeLessThanOrEqual(0.2);
    }
  });
});

describe('the passes', () => {
  it('are one where one does it', () => {
    expect(plate({ thicknessMm: 3, joint: 'fillet' }).passes).toEqual([
      expect.objectContaining({ number: 1, kind: 'only', settings: null }),
    ]);
  });

  it('are several, root first and cap last, where position or plate asks for them, and each at its own pace', () => {
    const up = plate({ thicknessMm: 14, joint: 'fillet', position: 'vertical-up' });
    expect(up.passes.map(({ kind }) => kind)).toEqual(['root', 'cap']);
    // The pace lays the leg of a pass, within the half millimetre that a leg is said to.
    const over = plate({ thicknessMm: 10, joint: 'fillet', position: 'overhead' });
    expect(over.passes.length).toBeGreaterThan(1);
    expect(Math.abs(over.expected.legMm! - over.passes[1].legMm)).toBeLessThan(0.5);
    const thick = plate({ thicknessMm: 15, joint: 'fillet' }, { wire: { class: 'solid-steel', diameterMm: 1.2 } });
    expect(thick.passes.length).toBeGreaterThan(1);
    expect(thick.passes.at(-1)!.kind).toBe('cap');
    expect(thick.passes.slice(1, -1).every(({ kind }) => kind === 'fill')).toBe(true);
  });

  it('are not made more by want of amps: the pace makes up for it', () => {
    const near = plate({ thicknessMm: 4, joint: 'fillet' }, { wire: { class: 'solid-steel', diameterMm: 0.8 } });
    expect([near.passes.length, near.outOfReach]).toEqual([1, []]);
    const edge = plate({ thicknessMm: 3, otherThicknessMm: 6, joint: 'fillet', position: 'horizontal' });
    expect([edge.passes.length, edge.outOfReach]).toEqual([1, []]);
    const cold = plate({ thicknessMm: 6, joint: 'fillet', position: 'vertical-up' });
    expect(cold.passes).toHaveLength(1);
    expect(cold.outOfReach.join()).toMatch(/Slow down until both sides melt.*turn the part and weld it flat/);
  });

  it('are offered in the other transfer where both do, with its figures and its reason', () => {
    const wire = { class: 'solid-steel', diameterMm: 1.2 };
    const both = plate({ thicknessMm: 6, joint: 'fillet' }, { wire, gas: { argonPct: 90, co2Pct: 10 } });
    expect([both.expected.transfer, both.otherWay!.transfer]).toEqual(['short-circuit', 'spray']);
    expect(both.otherWay!.settings.voltageV!).toBeGreaterThan(26);
    expect(both.otherWay!.settings.wireSpeedMPerMin!).toBeGreaterThan(7);
    expect(both.otherWay!.because).toMatch(/^Spray: /);
    expect(plate({ thicknessMm: 3 }).otherWay).toBeNull();
  });

  it('close an open root with figures of its own, colder than the rest and crisper', () => {
    const gap = { thicknessMm: 10, joint: 'butt', gapMm: 2 };
    const { passes, settings } = plate(gap, { wire: { class: 'solid-steel', diameterMm: 1.2 } });
    expect(passes[0].settings!.wireSpeedMPerMin!).toBeLessThan(0.75 * settings.wireSpeedMPerMin!);
    expect(passes[0].settings!.voltageV!).toBeLessThan(settings.voltageV! - 1.5);
    expect(passes.slice(1).every((pass) => pass.settings === null)).toBe(true);
    expect(settings.arcControlPct!).toBeLessThan(50);
    const soft = plate({ baseMetal: 'stainless', thicknessMm: 3 }, DEFAULT_RIG.stainless).settings.arcControlPct!;
    expect(soft).toBeGreaterThan(plate({ thicknessMm: 3 }).settings.arcControlPct!);
    expect(plate({ ...gap, gapMm: 0 }).passes[0].settings).toBeNull();
  });
});

it('covers every metal, joint and position without a word missing', () => {
  for (const baseMetal of BASE_METALS)
    for (const joint of JOINTS)
      for (const position of joint === 'fillet'
        ? POSITIONS
        : draws<readonly (typeof POSITIONS)[number][]>(['flat'], POSITIONS)) {
        const { technique, times } = startOn(
          onJob({ baseMetal, joint, position, thicknessMm: 5 }, DEFAULT_RIG[baseMetal]),
        );
        for (const text of [technique.aim, technique.run, technique.because, times.crater])
          expect(text).toMatch(/\S{3}/);
      }
});

it('says which wire the plate wants where another is fitted, and which aluminium would spray with', () => {
  const thick = plate({ thicknessMm: 12 }, { wire: { class: 'solid-steel', diameterMm: 0.6 } });
  expect(thick.notes.join()).toMatch(/usually .*1\.2 mm.*; 0\.6 mm is fitted/);
  expect(thick.wire!.fitted).toBe(false);
  expect(plate({ thicknessMm: 3 }).notes).toEqual([]);
  const coarse: Case = onJob(
    { baseMetal: 'aluminium', thicknessMm: 2 },
    { ...DEFAULT_RIG.aluminium, wire: { class: 'solid-aluminium', diameterMm: 1.6 } },
  );
  // Aluminium runs clean only in spray: a wire that does not spray on it gets no figure, but the wire that would.
  expect(startAnswer(coarse).held[0].text).toMatch(/Fit 0\.8 mm/);
});
