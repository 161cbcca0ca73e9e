import { MEASURES } from '@/core/inspection/measures';
import { PLACES } from '@/ui/joint/WeldDrawing';
import { proofWords } from '@/core/record/words/proof-words';
import { typedOf } from './inspection-work';
import { lineText, measureText } from './weld-words';

const FILLET = { joint: 'fillet', thicknessMm: 6 } as const;

describe('what is typed of an inspection', () => {
  it('is read in the units it was typed in, with a comma as well as a point', () => {
    const metric = typedOf(FILLET, { texts: { legUprightMm: '6,5', poreCount: '3', undercutMm: '' }, units: 'metric' });
    expect(metric).toEqual({ measured: { legUprightMm: 6.5, poreCount: 3 }, problems: {} });
    const inch = typedOf(FILLET, { texts: { legUprightMm: '0.25', poreCount: '3' }, units: 'inch' });
    expect(inch.measured).toEqual({ legUprightMm: 6.35, poreCount: 3 });
  });

  it('is refused beside its field with what that takes, and the rest is read', () => {
    const { measured, problems } = typedOf(FILLET, {
      texts: { legUprightMm: 'six', legFlatMm: '90', poreCount: '2.5', crackMm: '0' },
      units: 'metric',
    });
    expect(measured).toEqual({ crackMm: 0 });
    expect(problems).toEqual({
      legUprightMm: 'A figure from 0.5 to 60 mm.',
      legFlatMm: 'A figure from 0.5 to 60 mm.',
      poreCount: 'A whole number from 0 to 500.',
    });
    expect(typedOf(FILLET, { texts: { legFlatMm: '9' }, units: 'inch' }).problems.legFlatMm).toMatch(/to 2\.362 in\.$/);
  });

  it('leaves out what this weld does not have', () => {
    expect(typedOf(FILLET, { texts: { capMm: '2' }, units: 'metric' })).toEqual({ measured: {}, problems: {} });
    expect(typedOf({ joint: 'butt' }, { texts: { capMm: '-2' }, units: 'metric' }).measured).toEqual({ capMm: -2 });
  });
});

describe('the words of a weld', () => {
  it('say a limit as a most, but of a throat as a least, and nothing found as none', () => {
    const line = { defect: 'undercut', name: 'Undercut', measured: 2, allowed: 0.72, unit: 'mm', over: true } as const;
    expect(lineText(line, 'metric')).toBe('Undercut 2 mm, allowed 0.7 mm');
    expect(lineText(line, 'inch')).toBe('Undercut 0.079 in, allowed 0.028 in');
    expect(lineText({ ...line, measured: 0 }, 'metric')).toBe('Undercut: none');
    const throat = { ...line, defect: 'throat-short', name: 'Throat too small', measured: 3.5, allowed: 3.8 } as const;
    expect(lineText(throat, 'metric')).toBe('Throat 3.5 mm, at least 3.8 mm');
    expect(lineText({ ...throat, measured: 3.77 }, 'metric')).toBe('Throat just under 3.8 mm, at least 3.8 mm');
    expect(lineText({ ...throat, measured: 3.81, over: false }, 'metric')).toBe('Throat 3.8 mm, at least 3.8 mm');
    expect(lineText({ ...line, measured: 0.74 }, 'metric')).toBe('Undercut just over 0.7 mm, allowed 0.7 mm');
    expect([measureText(3, null, 'metric'), measureText(12, '%', 'inch')]).toEqual(['3', '12 %']);
  });

  it('join the ways a bead was judged', () => {
    expect(proofWords(['looked'])).toBe('looked at');
    expect(proofWords(['looked', 'bent', 'cut'])).toBe('looked at, bent and cut and etched');
  });
});

describe('the drawing of a weld', () => {
  it('has a place for what can be measured of its form, and no two in one place', () => {
    for (const [form, places] of Object.entries(PLACES)) {
      for (const id of Object.keys(places)) {
        const of = MEASURES.find((one) => one.id === id)?.form;
        expect(of === null || of === form).toBe(true);
      }
      const tags = Object.values(places).map((place) => place!.tag);
      for (const [i, [x, y]] of tags.entries())
        for (const [ox, oy] of tags.slice(i + 1))
          expect(Math.abs(x - ox) >= 96 + 8 || Math.abs(y - oy) >= 56 + 8).toBe(true);
    }
  });
});
