import { startOn } from '@/core/start/testing/jobs';
import { EXAMPLE_CASE } from '@/core/cases/example';
import type { Case } from '@/core/case/schema';
import { textIn } from '@/core/quantity/text';
import {
  expectedWords,
  plugWords,
  gunWords,
  paceWords,
  passWords,
  plateHeatWords,
  shadeWords,
  stitchWords,
  timesWords,
} from './start-words';

const on = (job: Case['job'], rig: object = {}) =>
  startOn({ ...EXAMPLE_CASE, job, rig: { ...EXAMPLE_CASE.rig, ...rig } as Case['rig'] });
const FILLET = on({ thicknessMm: 3, joint: 'fillet' });
const ROOT = on({ thicknessMm: 10, joint: 'butt', gapMm: 2 }, { wire: { class: 'solid-steel', diameterMm: 1.2 } });

describe('what is said of a start', () => {
  it('is the amps and the leg of one pass, or how many passes', () => {
    expect(expectedWords(FILLET)).toMatch(/^About 1\d\d A in short circuit; a leg of about 4\.5 mm\.$/);
    expect(expectedWords(ROOT)).toMatch(/^About \d+ A in [a-z ]+; 3 passes\.$/);
    const plug = { holeMm: 11, fillS: 6 };
    expect(expectedWords({ ...FILLET, plug })).toMatch(/^About 1\d\d A in short circuit\.$/);
    expect(plugWords(plug)).toBe('A hole of 11 mm in the upper sheet, filled in about 6 s.');
    expect(expectedWords({ ...FILLET, expected: { ...FILLET.expected, currentA: null } })).toBe('');
  });

  it('is how the gun leans and how the pace is counted', () => {
    expect(gunWords(FILLET.technique)).toMatch(/^Push about 10°, 45° to the lower part \(/);
    expect(gunWords({ ...FILLET.technique, gun: 'square', travelAngleDeg: 0 })).toMatch(/^Square, 45°/);
    expect(gunWords({ ...FILLET.technique, gun: 'drag', travelAngleDeg: -10 })).toMatch(/^Drag about 10°/);
    expect(paceWords({ ...FILLET.technique, secondsPer100Mm: 16, travelSpeedMmPerMin: 380 })).toBe(
      '100 mm in 16 s (380 mm/min).',
    );
  });

  it('gives a root its own figures, on the machine’s own dial where it has one', () => {
    const [root, fill] = ROOT.passes;
    const { voltageV, wireSpeedMPerMin } = root.settings!;
    const said = passWords(root, {});
    expect(said).toContain(
      `1. Root, as a leg of 5 mm, at ${voltageV!.toFixed(1)} V and ${wireSpeedMPerMin!.toFixed(1)} m/min.`,
    );
    const volts = { step: 0.5, points: [1, 10].map((mark) => ({ mark, value: 12 + 2 * mark })) };
    expect(passWords(root, { voltageV: volts })).toMatch(/V \(knob \d+(\.5)?\) and/);
    expect(passWords(fill, {})).toMatch(/^2\. Fill, as a leg of 7 mm\. Over half/);
  });

  it('is the filter for the arc, and how warm the plate has to be where that is asked', () => {
    expect(shadeWords(FILLET.protection)).toMatch(/^Shade 10 at least; begin with 11/);
    expect(shadeWords({ ...FILLET.protection, shade: { least: 14, comfortable: 14 } })).toBe('Shade 14.');
    expect(plateHeatWords(FILLET)).toEqual([]);
    expect(plateHeatWords({ ...FILLET, plateHeat: null })).toEqual([]);
    const thick = on({ thicknessMm: 45, joint: 'fillet' });
    expect(plateHeatWords(thick).join(' ')).toMatch(/At least 65 °C.*No hotter than 250 °C.*procedure/);
    const hard = on({ thicknessMm: 10, joint: 'fillet', carbonEquivalent: 0.7 });
    expect(plateHeatWords(hard).join(' ')).toMatch(/only by a procedure/);
  });

  it('is how a sheet is sewn, the order where it has a length, and the bar where it needs one', () => {
    const sheet = (job: object) => stitchWords(on({ thicknessMm: 0.8, joint: 'lap', ...job })!.stitch!);
    const said = sheet({ lengthMm: 150 });
    expect(said[0]).toBe('Tack every 25 mm, so that no gap opens.');
    expect(said[1]).toMatch(/^Stitches of 8 mm, each 4 mm on .* Wait about \d+ s/);
    expect(said.join()).toMatch(/order: \d(, \d){5}\./);
    expect(said.join()).toContain('bar');
    expect(sheet({}).join()).not.toContain('order');
    expect(sheet({ thicknessMm: 1.1 }).join()).not.toContain('bar');
    expect(textIn(said[0], 'inch')).toBe('Tack every 1 in, so that no gap opens.');
  });

  it('is when gas, wire and trigger begin and end', () => {
    expect(timesWords(FILLET.times)[0]).toMatch(/^Gas 0\.3 s before and [\d.]+ s after\.$/);
    expect(timesWords({ ...FILLET.times, preFlowS: null, postFlowS: null })[0]).toMatch(/^Run-in/);
    expect(timesWords(FILLET.times).at(-1)).toBe(FILLET.times.crater);
    expect(timesWords(FILLET.times)[1]).toMatch(/^Run-in [\d.]+ m\/min, burn-back 0\.1\d? s, 4T\.$/);
  });

  it('is what the hand does where the machine lets nothing be set', () => {
    const { times } = on({ thicknessMm: 3, joint: 'fillet' }, { controls: ['post-flow'] });
    const lines = timesWords(times);
    expect(lines[0]).toMatch(/^Gas [\d.]+ s after\.$/);
    expect(lines[1]).toBe('2T.');
    expect(lines.filter((line) => line.startsWith('No '))).toHaveLength(3);
  });
});
