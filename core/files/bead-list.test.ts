import Ajv from 'ajv';
import fc from 'fast-check';
import { RECORD_SCHEMA } from '../record/file/record-file-schema';
import type { Bead } from '../record/shapes/record-schema';
import { logCsv, type LoggedBead } from './bead-cells';
import {
  guessColumns,
  instantFrom,
  listToRecord,
  MOST_COLUMNS,
  readList,
  type ListGiven,
  type SomeList,
} from './bead-list';

const SETUP = { id: '0190a000-0000-7000-8003-000000000000', rigId: '0190a000-0000-7000-8000-000000000001' };
const NOW = '2026-05-04T09:00:00.000Z';
const listOf = (text: string): SomeList => {
  const list = readList(text);
  if (typeof list === 'string') throw new Error(list);
  return list;
};
const read = (text: string, given: Partial<ListGiven> = {}) => {
  const list = listOf(text);
  const usual = { decimal: 'point', days: 'year first', setup: SETUP, title: 'list', now: NOW } as const;
  return listToRecord(list, { ...usual, columns: guessColumns(list.heads), ...given });
};
const matches = new Ajv({ allErrors: true, strict: false }).compile(RECORD_SCHEMA);

describe('a list of beads', () => {
  const TEXT = `Date,Part,Thickness (in),Material,Volts,Wire speed (in/min),Defects,Result,Remarks
2026-03-02 10:15,Gate 4,0.25,steel,19.5,240,porosity; a wasp in it,,By the weir
2026-03-02 09:40,Gate 4,0.25,steel,17,240,,worse,
2026-03-03,Ladder,0.125,Stainless Steel,18,200,,ok,`;

  it('is read by its heads: units in brackets, trade words, results and plates as a shop writes them', () => {
    const { kept, problems } = read(TEXT);
    expect(problems).toEqual([]);
    expect(kept.coupons.map(({ title }) => title)).toEqual(['Gate 4', 'Ladder']);
    expect(kept.jobs.map(({ job }) => job)).toEqual([
      { baseMetal: 'mild-steel', thicknessMm: 6.35 },
      { baseMetal: 'stainless', thicknessMm: 3.175 },
    ]);
    const [first, second, third] = kept.beads;
    // By their time, not by their line.
    expect([first.number, second.number, third.number]).toEqual([1, 2, 1]);
    expect(first).toMatchObject({ outcome: 'worse', settings: { voltageV: 17 } });
    expect(first.settings.wireSpeedMPerMin).toBeCloseTo(6.096, 3);
    expect(Object.values(second.findings)).toEqual(['present']);
    expect(second.note).toBe('By the weir');
    expect(third.outcome).toBe('sound');
    expect(new Date(first.ranAt).getHours()).toBe(9);
    expect(matches({ format: 'jolly-tinker/record', version: 1, madeAt: NOW, ...kept })).toBe(true);
  });

  it('loses nothing of what is seen: what the lexicon does not know stands in the note', () => {
    const { kept } = read('Part,Seen\nGate,porosity; a wasp in it\n');
    expect(kept.beads[0].note).toBe('Seen: a wasp in it');
    expect(Object.keys(kept.beads[0].findings)).toHaveLength(1);
  });

  it('is the same things when it is read again, and others when a line differs', () => {
    expect(read(TEXT)).toEqual(read(TEXT));
    const ids = (text: string) => new Set(read(text).kept.beads.map(({ id }) => id));
    const other = ids(TEXT.replace('19.5', '19.6'));
    expect([...ids(TEXT)].filter((id) => other.has(id))).toHaveLength(2);
    // Two lines that say the same are two beads.
    expect(read('Part,Volts\nGate,18\nGate,18\n').kept.beads.map(({ number }) => number)).toEqual([1, 2]);
    expect(ids('Part,Volts\nGate,18\nGate,18\n').size).toBe(2);
  });

  it('says each cell that cannot be taken, by line and column, and takes nothing then', () => {
    const { kept, problems } = read(
      'Part,Volts,Date,Result,Joint\nGate,190,2026-02-30,fine,scarf\nGate,18,2026-03-01,,\n',
    );
    expect(kept.beads).toEqual([]);
    expect(problems).toEqual([
      'Line 2, “Volts” takes 8 to 50 V; it has “190”.',
      'Line 2, “Date” takes a day, year first; it has “2026-02-30”.',
      'Line 2, “Result” takes sound, better, same or worse; it has “fine”.',
      expect.stringMatching(/^Line 2, “Joint” takes bead on plate, butt, .*; it has “scarf”\.$/),
    ]);
    const many = read(`Volts\n${Array.from({ length: 60 }, () => 'x').join('\n')}`).problems;
    expect(many).toHaveLength(21);
    expect(many[20]).toBe('and 40 more.');
  });

  it('is none, in a sentence, without a line, or with more columns or lines than a list has', () => {
    expect(readList('')).toMatch(/^A list takes a head/);
    expect(readList('Volts\n')).toMatch(/^A list takes a head/);
    expect(readList(`a${','.repeat(1_000_000)}\n1`)).toBe(
      `A list takes ${MOST_COLUMNS} columns at most; this has 1000001.`,
    );
    expect(readList(`Volts\n${'18\n'.repeat(5001)}`)).toMatch(/5000 lines at most; this has 5001/);
  });

  it('takes decimals as they are written, and no figure that is none', () => {
    const volts = (cell: string, decimal: 'point' | 'comma') =>
      read(`Volts;Part\n"${cell}";a`, { decimal }).kept.beads[0]?.settings.voltageV;
    expect(volts('18,5', 'comma')).toBe(18.5);
    expect(volts('18.5', 'point')).toBe(18.5);
    for (const none of ['18 V', '1e1', '0x12', '--18', '']) expect(volts(none, 'point')).toBeUndefined();
  });

  it('knows the days of the calendar in each order', () => {
    expect(instantFrom('30.5.2026', 'day first')).toBe(new Date(2026, 4, 30, 12).toISOString());
    expect(instantFrom('5/30/2026 7:05', 'month first')).toBe(new Date(2026, 4, 30, 7, 5).toISOString());
    expect(instantFrom('2026-05-04T09:30:00.000Z', 'day first')).toBe('2026-05-04T09:30:00.000Z');
    for (const none of ['31.4.2026', '2026-05-30', '30.5.26', 'May 30', '30.5.2026 25:00'])
      expect(instantFrom(none, 'day first')).toBeNull();
  });

  it('never breaks, whatever a file holds, and never makes what the record does not take', () => {
    const cell = fc.oneof(
      fc.string(),
      fc.constantFrom('18.5', '2026-03-01', 'porosity', 'sound', '=1+1', '6', 'fillet'),
    );
    const heads = fc.constantFrom(
      'Part',
      'Volts (V)',
      'Date',
      'Seen',
      'Result',
      'Note',
      'Thickness (in)',
      'x',
      'Joint',
    );
    fc.assert(
      fc.property(
        fc.array(heads, { minLength: 1, maxLength: 6 }),
        fc.array(fc.array(cell, { maxLength: 7 }), { minLength: 1, maxLength: 6 }),
        (head, rows) => {
          const { kept } = listToRecord(
            { heads: head, rows },
            {
              columns: guessColumns(head),
              decimal: 'point',
              days: 'year first',
              setup: SETUP,
              title: 'list',
              now: NOW,
            },
          );
          const fits = matches({ format: 'jolly-tinker/record', version: 1, madeAt: NOW, ...kept });
          expect([fits, matches.errors?.[0]?.instancePath, matches.errors?.[0]?.message]).toEqual([
            true,
            undefined,
            undefined,
          ]);
        },
      ),
    );
  });
});

describe('this product’s own file of beads', () => {
  it('comes in again with its job, figures, findings and judgements, in either units and decimals', () => {
    const bead = {
      ...{
        id: SETUP.id,
        couponId: SETUP.id,
        number: 1,
        ranAt: '2026-03-02T10:15:00.000Z',
        outcome: 'better',
        note: '=SUM(A1)',
      },
      settings: { voltageV: 18.5, wireSpeedMPerMin: 6.2, stickOutMm: 12, travelAngleDeg: -5 },
      findings: { 'holes-scattered': 'present', 'bead-flat': 'absent' },
      names: { 'holes-scattered': 'Holes all over', 'bead-flat': 'Flat, washed out' },
      ...{ verdict: null, move: null },
    } as unknown as Bead;
    const job = { baseMetal: 'mild-steel', thicknessMm: 5, joint: 'fillet', position: 'flat' } as const;
    const logged: LoggedBead = {
      bead,
      setup: undefined,
      job,
      coupon: { id: SETUP.id, title: 'Gate 4, strap' },
      rigName: 'Dock set',
      sizes: [{ id: 'widthMm', mm: 7.25, plusMinusMm: 0.4, places: 1 }],
    };
    for (const units of ['metric', 'inch'] as const)
      for (const decimal of ['point', 'comma'] as const) {
        const { kept, problems } = read(logCsv([logged], units, decimal, true), { decimal });
        expect(problems).toEqual([]);
        expect(kept.coupons[0].title).toBe('Gate 4, strap');
        expect(kept.jobs[0].job).toMatchObject({ ...job, thicknessMm: expect.closeTo(5, 1) });
        const [again] = kept.beads;
        expect(again).toMatchObject({ ranAt: bead.ranAt, outcome: 'better', findings: bead.findings });
        for (const [name, value] of Object.entries(bead.settings))
          if (name !== 'travelAngleDeg') expect((again.settings as Record<string, number>)[name]).toBeCloseTo(value, 0);
      }
  });
});
