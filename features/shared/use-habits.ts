import { useCallback } from 'react';
import type { Habits } from '@/core/record/draft/habits';
import { textIn } from '@/core/quantity/text';
import type { UnitSystem } from '@/core/quantity/units';
import { HABITS } from '@/client/stored/device-state';
import { useStored, useStoredPart } from '@/platform/stored';

/** Returns how this person welds, and how to change it. */
export const useHabits = (): [Habits, (next: Habits) => void] => useStored(HABITS);

/** The units this person reads. */
export const useUnits = (): UnitSystem => useStoredPart(HABITS, ({ units }) => units);

/** Puts a text of the product into the units this person reads. */
export function useTextIn(): (text: string) => string {
  const units = useUnits();
  return useCallback((text: string) => textIn(text, units), [units]);
}
