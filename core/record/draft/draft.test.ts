import fc from 'fast-check';
import { FINDING_IDS } from '../../evidence/ids';
import { READINGS } from '../../setting/table';
import {
  emptyDraft,
  setReading,
  setSetting,
  step,
  setFinding,
  tapFinding,
  typeSetting,
  undo,
  type Draft,
  type DraftHistory,
} from './draft';

const EMPTY_DRAFT = emptyDraft('0190b000-0000-7000-8000-000000000001');
const same = (value: number): number => value;

describe('the draft of a bead', () => {
  it('takes no number of taps on a finding for its opposite', () => {
    const seen = tapFinding(EMPTY_DRAFT, 'bead-ropey');
    const none = tapFinding(seen, 'bead-ropey');
    expect([seen.findings, none.findings]).toEqual([{ 'bead-ropey': 'present' }, {}]);
    // What was said not to be there on purpose is seen after all.
    const absent = setFinding(EMPTY_DRAFT, 'bead-ropey', 'absent');
    expect(tapFinding(absent, 'bead-ropey').findings).toEqual({ 'bead-ropey': 'present' });
  });

  it('takes a figure with a comma, and none', () => {
    const set = typeSetting(EMPTY_DRAFT, 'voltageV', '18,5', same);
    expect(set.settings.voltageV).toBe(18.5);
    expect(typeSetting(set, 'voltageV', ' ', same).settings.voltageV).toBeUndefined();
  });

  it('keeps what cannot be taken as typed, beside the last good figure', () => {
    const good = setSetting(EMPTY_DRAFT, 'voltageV', 18);
    for (const text of ['400', '1', 'abc', '18..5']) {
      const bad = typeSetting(good, 'voltageV', text, same);
      expect(bad.settings.voltageV).toBe(18);
      expect(bad.typed.voltageV).toBe(text);
    }
    expect(typeSetting(typeSetting(good, 'voltageV', '400', same), 'voltageV', '19', same).typed).toEqual({});
  });

  it('undoes step by step, under a new id once a logged bead is taken back', () => {
    const first = setSetting(tapFinding(EMPTY_DRAFT, 'bead-ropey'), 'voltageV', 18);
    const next = { ...emptyDraft('next'), settings: { voltageV: 19 } };
    let history: DraftHistory = step({ now: EMPTY_DRAFT, past: [] }, first);
    history = step(history, next, 'bead-7');
    const back = undo(history, 'new');
    expect(back.unlog).toBe('bead-7');
    expect(back.history.now).toEqual({ ...first, id: 'new' });
    const start = undo(back.history, 'newer');
    expect(start).toEqual({ unlog: null, rejudge: null, history: { now: { ...EMPTY_DRAFT, id: 'new' }, past: [] } });
    expect(undo(start.history, 'x')).toEqual({ unlog: null, rejudge: null, history: start.history });
  });

  it('keeps what a step changed, and no more than fifty steps of it', () => {
    let history: DraftHistory = { now: EMPTY_DRAFT, past: [] };
    expect(step(history, { ...EMPTY_DRAFT })).toBe(history);
    for (let volts = 10; volts < 65; volts += 1)
      history = step(history, setSetting(history.now, 'voltageV', Math.min(50, volts) + volts / 1000));
    expect(history.past).toHaveLength(50);
    expect(history.past[49].before).toHaveLength(1);
    expect(JSON.stringify(history).length).toBeLessThan(6000);
  });

  it('undoes any walk of taps and turns back to where it began', () => {
    const move = fc.oneof(
      fc.constantFrom(...FINDING_IDS).map((id) => (draft: Draft) => tapFinding(draft, id)),
      fc.double({ min: 8, max: 50, noNaN: true }).map((v) => (draft: Draft) => setSetting(draft, 'voltageV', v)),
      fc.constantFrom('400', '', '12').map((text) => (draft: Draft) => typeSetting(draft, 'stickOutMm', text, same)),
      fc.constantFrom(...READINGS).map((reading) => (draft: Draft) => setReading(draft, 'voltageV', reading)),
    );
    fc.assert(
      fc.property(fc.array(move, { maxLength: 30 }), (moves) => {
        let history: DraftHistory = { now: EMPTY_DRAFT, past: [] };
        for (const make of moves) history = step(history, make(history.now));
        while (history.past.length > 0) history = undo(history, 'x').history;
        expect(history.now).toEqual(EMPTY_DRAFT);
      }),
    );
  });
});
