import { parse } from 'papaparse';
import { validateCase } from '@/core/case/validate';
import { CRISP } from '../testing/coupon';
import { couponCsv, couponFile, COUPON_FILE_FORMAT } from './coupon-file';
import { fileNameOf } from '@/core/files/file-name';

const read = (text: string, delimiter = ','): Record<string, string>[] =>
  parse<Record<string, string>>(text, { header: true, delimiter }).data;

describe('a coupon for a spreadsheet', () => {
  it('has a line a bead with its units named, its marks, what it showed and what came of it', () => {
    const [first, second] = read(couponCsv(CRISP, 'metric', 'point'));
    expect(first).toEqual({
      bead: '1',
      'run at': '2026-05-04T09:00:00.000Z',
      'volts (V)': '16.5',
      'volts, mark': 'knob 4',
      'wire speed (m/min)': '5',
      'gun angle (°)': '-10',
      seen: 'Ropey, humped; Cold lap',
      'not there': 'Holes all over',
      verdict: 'Volts too low',
      'likelihood (%)': '82',
      then: 'volts up, 16.5 → 19 V, knob 4 → 5',
      judged: '',
      note: '',
    });
    expect([second.judged, second.then, second.verdict, second['likelihood (%)']]).toEqual(['sound', '', '', '']);
  });

  it('tells what was heard in a recording, where one was made', () => {
    const heard = {
      ...{ seconds: 4, clicksPerS: 64.5, clicksPerSOff: 3, unevenness: 0.65, loudSpread: 0.3 },
      ...{ gapShare: 0, trend: 0, trendOff: 0.1 },
    };
    const [one, ...rest] = CRISP.beads;
    const [first, second] = read(couponCsv({ ...CRISP, beads: [{ ...one, heard }, ...rest] }, 'metric', 'comma'), ';');
    expect([first['clicks a second'], first['unevenness of the clicks']]).toEqual(['64,5', '0,65']);
    expect(second['clicks a second']).toBe('');
  });

  it('is in the units of the reader, and writes a comma where that is asked for', () => {
    const [inch] = read(couponCsv(CRISP, 'inch', 'point'));
    expect(inch['wire speed (in/min)']).toBe('197');
    expect(inch.then).toContain('19 V');
    const text = couponCsv(CRISP, 'metric', 'comma');
    const [first] = read(text, ';');
    expect(first['volts (V)']).toBe('16,5');
    expect(first['run at']).toBe('2026-05-04T09:00:00.000Z');
    expect(first.then).toBe('volts up, 16.5 → 19 V, knob 4 → 5');
  });

  it('holds nothing that a spreadsheet would work out, and leaves figures below 0 as they are', () => {
    for (const evil of ['=1+1', '+1', '-2+3', '@SUM(A1)', '\t=1', '-cmd|x']) {
      const [first] = CRISP.beads;
      const [told] = read(couponCsv({ ...CRISP, beads: [{ ...first, note: evil }] }, 'metric', 'point'));
      expect(told.note).toBe(`'${evil}`);
      expect(told['gun angle (°)']).toBe('-10');
    }
  });

  it('has every column where beads were run on machines that are read otherwise', () => {
    const [first, second] = CRISP.beads;
    const bare = { ...CRISP.setups[0], id: 'bare', rig: {} };
    const mixed = {
      ...CRISP,
      setups: [...CRISP.setups, bare],
      beads: [{ ...second, setupId: 'bare' }, first],
    };
    const [plain, marked] = read(couponCsv(mixed, 'metric', 'point'));
    expect([plain['volts, mark'], marked['volts, mark']]).toEqual(['', 'knob 4']);
  });
});

describe('a coupon for a program', () => {
  it('has every bead as the case it posed, which the format takes, with what was made of it', () => {
    const file = JSON.parse(JSON.stringify(couponFile(CRISP)));
    expect(file.format).toBe(COUPON_FILE_FORMAT);
    expect(file.beads.map(({ number }: { number: number }) => number)).toEqual([1, 2]);
    for (const { case: posed } of file.beads) expect(validateCase(posed).problems).toBeNull();
    const [first] = file.beads;
    expect(first.case.settings).toEqual(CRISP.beads[0].settings);
    expect(first.case.job).toEqual(CRISP.jobs[0].job);
    expect(first.verdict).toEqual(CRISP.beads[0].verdict);
    expect(first.move).toEqual(CRISP.beads[0].move);
  });

  it('says of a bead whose setup nobody knows that it has no case', () => {
    expect(couponFile({ ...CRISP, setups: [] }).beads.map((bead) => bead.case)).toEqual([null, null]);
  });

  it('has a name that every disk takes', () => {
    expect(['Sluice rack 2, new bracket', '../../etc', 'Schütz', '***'].map(fileNameOf)).toEqual([
      'sluice-rack-2-new-bracket',
      'etc',
      'schütz',
      'coupon',
    ]);
  });
});
