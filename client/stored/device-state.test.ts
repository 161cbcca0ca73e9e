import { act, renderHook } from '@testing-library/react';
import { emptyDraft } from '../../core/record/draft/draft';
import { USUAL_HABITS } from '../../core/record/draft/habits';
import { BENCH_COUPON, draftOn, HABITS } from './device-state';
import { replacePlatform, type TextStorage } from '../../platform/ports';
import { forgetMemory, store, stored, useStored, useStoredPart, useStorageNotice } from '../../platform/stored';

/** Storage in a map; `full` refuses every write. */
function mapStorage(begin: Record<string, string> = {}) {
  const texts = new Map(Object.entries(begin));
  const heard = new Set<(key: string) => void>();
  const storage: TextStorage & {
    texts: Map<string, string>;
    full: boolean;
    foreign: (key: string, text: string) => void;
  } = {
    texts,
    full: false,
    read: (key) => texts.get(key) ?? null,
    write: (key, text) => {
      if (storage.full) throw new DOMException('full', 'QuotaExceededError');
      texts.set(key, text);
    },
    onForeignWrite: (listener) => {
      heard.add(listener);
      return () => void heard.delete(listener);
    },
    foreign: (key, text) => {
      texts.set(key, text);
      heard.forEach((listener) => listener(key));
    },
  };
  replacePlatform({ storage, newId: () => '0190b000-0000-7000-8000-000000000001' });
  forgetMemory();
  return storage;
}
afterEach(() => replacePlatform(null));

const INCHES = { ...USUAL_HABITS, units: 'inch' as const };

describe('what a device keeps', () => {
  it('is written with its version and read again on the next visit', () => {
    const storage = mapStorage();
    expect(stored(HABITS)).toEqual(USUAL_HABITS);
    store(HABITS, INCHES);
    expect(JSON.parse(storage.texts.get('jolly.habits')!)).toEqual({ version: 2, value: INCHES });
    forgetMemory();
    expect(stored(HABITS)).toEqual(INCHES);
  });

  it('is brought up from the first version: habits, the coupon in work, and a draft with a new id', () => {
    const now = {
      settings: { voltageV: 18 },
      readings: {},
      findings: { 'bead-ropey': 'present' },
      typed: { stickOutMm: 'x' },
    };
    mapStorage({
      habits: JSON.stringify(INCHES),
      'bench-coupon': '"0190a000-0000-7000-8001-000000000000"',
      'draft-a': JSON.stringify({ now, past: [{ draft: now, loggedBead: null }] }),
      'draft-b': 'null',
    });
    expect(stored(HABITS)).toEqual(INCHES);
    expect(stored(BENCH_COUPON)).toBe('0190a000-0000-7000-8001-000000000000');
    expect(stored(draftOn('a'))).toEqual({
      now: { ...now, id: '0190b000-0000-7000-8000-000000000001', suspects: {} },
      past: [],
    });
    expect(stored(draftOn('b'))).toBeNull();
  });

  it.each([
    ['a damaged text', '{"version":2,"val'],
    ['another shape', JSON.stringify({ version: 2, value: { units: 'furlongs' } })],
    ['a version to come', JSON.stringify({ version: 3, value: USUAL_HABITS })],
    ['nothing at all', 'null'],
  ])('is set aside and said when it is %s', async (_, text) => {
    const storage = mapStorage({ 'jolly.habits': text });
    const { result } = renderHook(() => useStorageNotice());
    await act(async () => expect(stored(HABITS)).toEqual(USUAL_HABITS));
    expect(result.current[0]).toBe('unreadable');
    expect(storage.texts.get('jolly.habits.set-aside')).toBe(text);
    act(() => result.current[1]());
    expect(result.current[0]).toBeNull();
    // The next visit finds the usual, and has nothing to say.
    forgetMemory();
    await act(async () => expect(stored(HABITS)).toEqual(USUAL_HABITS));
    expect(result.current[0]).toBeNull();
  });

  it('holds for this visit when there is no room, and that is said until there is', () => {
    const storage = mapStorage();
    const { result } = renderHook(() => useStorageNotice());
    storage.full = true;
    act(() => store(HABITS, INCHES));
    expect(stored(HABITS)).toEqual(INCHES);
    expect(result.current[0]).toBe('full');
    storage.full = false;
    act(() => store(HABITS, USUAL_HABITS));
    expect(result.current[0]).toBeNull();
  });

  it('works where storage is refused altogether', async () => {
    mapStorage();
    const refuse = (): never => {
      throw new DOMException('denied', 'SecurityError');
    };
    replacePlatform({ storage: { read: refuse, write: refuse, onForeignWrite: () => () => undefined } });
    forgetMemory();
    await act(async () => expect(stored(HABITS)).toEqual(USUAL_HABITS));
    act(() => store(HABITS, INCHES));
    expect(stored(HABITS)).toEqual(INCHES);
  });

  it('is seen at once in another tab, and other keys are none of its business', () => {
    const storage = mapStorage();
    const { result } = renderHook(() => useStored(HABITS));
    act(() => storage.foreign('jolly.habits', JSON.stringify({ version: 2, value: INCHES })));
    expect(result.current[0]).toEqual(INCHES);
    act(() => storage.foreign('habits', JSON.stringify(USUAL_HABITS)));
    expect(result.current[0]).toEqual(INCHES);
    act(() => result.current[1](USUAL_HABITS));
    expect(result.current[0]).toEqual(USUAL_HABITS);
  });

  it('listens to other tabs once, and not to what only looks like its own key', () => {
    const storage = mapStorage();
    const listens = jest.spyOn(storage, 'onForeignWrite');
    const { result } = renderHook(() => [useStored(HABITS)[0], useStored(BENCH_COUPON)[0]]);
    renderHook(() => useStored(HABITS));
    expect(listens).toHaveBeenCalledTimes(1);
    storage.texts.set('jolly.habits', JSON.stringify({ version: 2, value: INCHES }));
    act(() => storage.foreign('other.habits', 'x'));
    expect(result.current[0]).toEqual(USUAL_HABITS);
    act(() => storage.foreign('jolly.habits', JSON.stringify({ version: 2, value: INCHES })));
    expect(result.current[0]).toEqual(INCHES);
  });

  it('is asked by no screen that is gone', () => {
    mapStorage();
    const select = jest.fn((habits: typeof USUAL_HABITS) => habits.units);
    const { unmount } = renderHook(() => useStoredPart(HABITS, select));
    unmount();
    select.mockClear();
    act(() => store(HABITS, INCHES));
    expect(select).not.toHaveBeenCalled();
  });

  it('draws a screen again only when its part changes', () => {
    mapStorage();
    const shape = draftOn('c');
    const draft = emptyDraft('0190b000-0000-7000-8000-000000000002');
    store(shape, { now: draft, past: [] });
    let drawn = 0;
    renderHook(() => {
      drawn += 1;
      return useStoredPart(shape, (history) => history?.now.findings);
    });
    act(() => store(shape, { now: { ...draft, settings: { voltageV: 18 } }, past: [] }));
    expect(drawn).toBe(1);
    act(() => store(shape, { now: { ...draft, findings: { 'bead-ropey': 'present' } }, past: [] }));
    expect(drawn).toBe(2);
    expect(draftOn('c')).toBe(shape);
  });
});
