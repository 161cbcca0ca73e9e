import { useMemo, useRef, useState, type RefObject } from 'react';
import type { TextInput } from 'react-native';
import { dialFor, nudged } from '@/core/setting/dials';
import { MAIN_SETTINGS, type SettingName } from '@/core/setting/table';
import { useKeys, type Keys } from '@/ui/use-keys';
import { useUnits } from '../shared/use-habits';
import { useBenchActions, useBenchRecords, useDraftPart } from './state/bench';

type BenchKeys = { searchField: RefObject<TextInput | null>; keysShown: boolean };

/** Works the bench from a keyboard: arrows turn the open knob, letters do what the list of keys says. */
export function useBenchKeys(knob: SettingName | null, openKnob: (setting: SettingName) => void): BenchKeys {
  const { dials } = useBenchRecords();
  const act = useBenchActions();
  const units = useUnits();
  const settings = useDraftPart((draft) => draft.settings);
  const [keysShown, setKeysShown] = useState(false);
  const searchField = useRef<TextInput | null>(null);
  const keys = useMemo<Keys>(() => {
    const at = knob ?? 'voltageV';
    const turn = (direction: 1 | -1): void =>
      act.set(at, nudged({ name: at, value: settings[at], dial: dialFor(dials, at), units }, direction));
    const other = (by: number): void => {
      const place = Math.max(
        0,
        MAIN_SETTINGS.findIndex((name) => name === at),
      );
      openKnob(MAIN_SETTINGS[(place + by + MAIN_SETTINGS.length) % MAIN_SETTINGS.length]);
    };
    return {
      ArrowUp: () => turn(1),
      ArrowDown: () => turn(-1),
      ArrowRight: () => other(1),
      ArrowLeft: () => other(-1),
      '/': () => searchField.current?.focus(),
      n: act.log,
      u: act.undo,
      '?': () => setKeysShown((shown) => !shown),
      Escape: () => setKeysShown(false),
    };
  }, [act, dials, knob, openKnob, settings, units]);
  useKeys(keys);
  return { searchField, keysShown };
}
