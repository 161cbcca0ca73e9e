import { act, renderHook, waitFor } from '@testing-library/react';
import { useState } from 'react';
import type { TextInput } from 'react-native';
import type { SettingName } from '@/core/setting/table';
import { replacePlatform } from '@/platform/ports';
import { useDraftPart, useLive } from './state/bench';
import { OnBench, openShop, type Shop } from './testing/shop';
import { useBenchKeys } from './use-bench-keys';

let shop: Shop;
beforeEach(async () => {
  shop = await openShop();
});
afterEach(() => replacePlatform(null));

/** The bench with its keys, and which knob is open. */
async function open() {
  const { result } = renderHook(
    () => {
      const [knob, setKnob] = useState<SettingName | null>(null);
      return {
        knob,
        ...useBenchKeys(knob, setKnob),
        settings: useDraftPart((draft) => draft.settings),
        live: useLive(),
      };
    },
    { wrapper: OnBench },
  );
  await waitFor(() => expect(result.current?.live.settled).toBe(true));
  return result;
}
const press = (key: string): void =>
  act(() => void document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true })));

describe('the keys of the bench', () => {
  it('turn the volts while no knob is open, and the open knob else', async () => {
    const bench = await open();
    press('ArrowUp');
    const from = bench.current.settings.voltageV!;
    press('ArrowUp');
    expect(bench.current.settings.voltageV).toBeCloseTo(from + 0.2, 9);
    press('ArrowDown');
    press('ArrowDown');
    expect(bench.current.settings.voltageV).toBeCloseTo(from - 0.2, 9);
    press('ArrowRight');
    press('ArrowUp');
    press('ArrowUp');
    expect(bench.current.settings.voltageV).toBeCloseTo(from - 0.2, 9);
    expect(bench.current.settings.wireSpeedMPerMin).toBeDefined();
  });

  it('go through the knobs and round at the ends', async () => {
    const bench = await open();
    const met = ['ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowLeft', 'ArrowLeft'].map((key) => {
      press(key);
      return bench.current.knob;
    });
    expect(met).toEqual([
      'wireSpeedMPerMin',
      'stickOutMm',
      'gasFlowLPerMin',
      'voltageV',
      'gasFlowLPerMin',
      'stickOutMm',
    ]);
  });

  it('show what they are, find a word, take back and log', async () => {
    const bench = await open();
    press('?');
    expect(bench.current.keysShown).toBe(true);
    press('?');
    expect(bench.current.keysShown).toBe(false);
    press('?');
    press('Escape');
    expect(bench.current.keysShown).toBe(false);
    press('/');
    const focus = jest.fn();
    bench.current.searchField.current = { focus } as unknown as TextInput;
    press('/');
    expect(focus).toHaveBeenCalledTimes(1);
    press('ArrowUp');
    press('u');
    expect(bench.current.settings.voltageV).toBeUndefined();
    await waitFor(() => expect(bench.current.live.settled).toBe(true));
    press('n');
    await waitFor(() => expect(shop.beads).toHaveLength(1));
  });
});
