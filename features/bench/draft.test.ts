import { EMPTY_DRAFT, setSetting, step, tapFinding, typeSetting, undo, type DraftHistory } from './draft';

const same = (value: number): number => value;

describe('the draft of a bead', () => {
  it('goes round unknown, seen, not there on one finding', () => {
    const seen = tapFinding(EMPTY_DRAFT, 'bead-ropey');
    const absent = tapFinding(seen, 'bead-ropey');
    expect([seen.findings, absent.findings, tapFinding(absent, 'bead-ropey').findings]).toEqual([
      { 'bead-ropey': 'present' },
      { 'bead-ropey': 'absent' },
      {},
    ]);
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

  it('undoes step by step, and names the bead that a step had stored', () => {
    let history: DraftHistory = { now: EMPTY_DRAFT, past: [] };
    const first = tapFinding(EMPTY_DRAFT, 'bead-ropey');
    history = step(step(history, first), EMPTY_DRAFT, 'bead-7');
    const back = undo(history);
    expect(back).toEqual({
      unlog: 'bead-7',
      history: { now: first, past: [{ draft: EMPTY_DRAFT, loggedBead: null }] },
    });
    expect(undo(back.history).history.now).toEqual(EMPTY_DRAFT);
    expect(undo({ now: first, past: [] }).unlog).toBeNull();
  });
});
