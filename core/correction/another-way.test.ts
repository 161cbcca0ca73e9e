import { answer } from '../answer';
import { EXAMPLE_CASE } from '../cases/example';
import type { Case } from '../case/schema';
import type { Settings } from '../setting/table';
import { anotherWay } from './another-way';
import { NO_OTHER_WAY } from './correct';
import { movesNow } from './next-settings';

const stubbing: Case = {
  ...EXAMPLE_CASE,
  settings: { ...EXAMPLE_CASE.settings, voltageV: 17.5, wireSpeedMPerMin: 6 },
  findings: { 'bead-ropey': 'present', 'sound-popping': 'present' },
};
const { correction } = answer(stubbing);
const before = stubbing.settings!;
const turned = (moves: ReturnType<typeof anotherWay>): string[] =>
  moves.map((move) => (move.kind === 'setting' ? `${move.setting} ${Math.sign(move.to - move.from!)}` : move.cause));
const after = (settings: Settings) => turned(anotherWay(correction, before, { ...before, ...settings }, 'one'));

describe('another way than the one that made a bead worse', () => {
  it('is what the correction would do first, where that was not it', () => {
    expect(turned([...correction.moves])).toContain('voltageV 1');
    expect(after({ gasFlowLPerMin: 20 })).toEqual(['voltageV 1']);
    // The other way round is no repeating.
    expect(after({ voltageV: 15 })).toEqual(['voltageV 1']);
  });

  it('is the other way of the schools, where it was: more volts in place of less wire', () => {
    const sheet: Case = { ...stubbing, job: { ...stubbing.job, thicknessMm: 2, otherThicknessMm: 2 } };
    const ofSheet = answer(sheet).correction;
    expect(turned(movesNow(ofSheet, 'one'))).toEqual(['wireSpeedMPerMin -1']);
    const slower = { ...before, wireSpeedMPerMin: 4.5 };
    expect(turned(anotherWay(ofSheet, before, slower, 'one'))).toEqual(['voltageV 1']);
  });

  it('takes a knob that only followed the other for no turn of its own', () => {
    const sheet: Case = { ...stubbing, job: { ...stubbing.job, thicknessMm: 2, otherThicknessMm: 2 } };
    const ofSheet = answer({ ...sheet, settings: { ...before, wireSpeedMPerMin: 6.5 } }).correction;
    const was = { ...before, wireSpeedMPerMin: 6.5 };
    // Two volts up and two tenths of wire down: less wire has not been tried.
    const way = anotherWay(ofSheet, was, { ...was, voltageV: 19.5, wireSpeedMPerMin: 6.3 }, 'one');
    expect(turned(way)).toEqual(['wireSpeedMPerMin -1']);
    // By themselves two tenths are a turn.
    expect(turned(anotherWay(ofSheet, was, { ...was, wireSpeedMPerMin: 6.3 }, 'one'))).toEqual(['voltageV 1']);
  });

  it('is none that would only lie on the plate: less wire than it fuses by', () => {
    expect(correction.alternative.withheld).toContain('too cold for this plate');
    expect(after({ voltageV: 19.2 })).toEqual([]);
  });

  it('may be less of the same: a turn far too wide is no reason against half of it', () => {
    expect(after({ voltageV: 26 })).toEqual(['voltageV 1']);
  });

  it('is nothing where every way is that one', () => {
    expect(after({ voltageV: 19.2, wireSpeedMPerMin: 5.2 })).toEqual([]);
    const none = { ...correction, moves: [], alternative: NO_OTHER_WAY };
    expect(anotherWay(none, before, before, 'all')).toEqual([]);
  });

  it('leaves out only the change that is it, and keeps what cures something else', () => {
    const dirty = answer({ ...stubbing, findings: { ...stubbing.findings, 'check-nozzle': 'present' } }).correction;
    const way = anotherWay(dirty, before, { ...before, voltageV: 19.2 }, 'one');
    expect(turned(way)).toContain('nozzle-blocked');
  });
});
