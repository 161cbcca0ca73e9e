import type { Preferences } from '@/core/case/schema';
import type { UnitSystem } from '@/core/quantity/units';
import { useStored } from '@/ui/use-stored';

/** How this person welds: units, and the school where welders disagree. */
export type Habits = { units: UnitSystem; changes: 'one' | 'all'; schools: Required<Preferences> };

const DEFAULT: Habits = {
  units: 'metric',
  changes: 'one',
  schools: { imbalance: 'by-heat', gasFlow: 'ample', stickOut: 'standard' },
};

/** Habits are kept on this device. */
export function usePreferences(): [Habits, (next: Habits) => void] {
  return useStored<Habits>('habits', DEFAULT);
}
