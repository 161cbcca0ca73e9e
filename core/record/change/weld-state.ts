import { judge } from '../../inspection/judge';
import type { Inspection, NewInspection, NewRepair, Weld, WeldState } from '../shapes/weld-schema';

/** An inspection with what is made of it, counting what was repaired on the weld before it. */
export function judged(weld: Pick<Weld, 'job' | 'repairs'>, inspection: NewInspection): Inspection {
  const { verdict, because, lines } = judge({
    job: weld.job,
    measured: inspection.measured,
    limits: inspection.level.limits,
    repaired: weld.repairs.map(({ defects }) => defects),
  });
  return { ...inspection, judged: { verdict, because, lines } };
}

/**
 * Returns how a weld stands: by its newest inspection; one that was repaired since has to be looked at again. What only says that
 * something was not looked at does not stand for an inspection.
 */
export function weldState(inspections: readonly Inspection[], repairs: readonly NewRepair[]): WeldState {
  const last = inspections.at(-1);
  if (last === undefined) return 'to-inspect';
  return repairs.some(({ inspectionId }) => inspectionId === last.id) ? 'to-inspect' : last.judged.verdict;
}

/** A weld with an inspection more, as it stands then; one that it has already changes nothing. */
export function withInspection(weld: Weld, inspection: NewInspection): Weld {
  if (weld.inspections.some(({ id }) => id === inspection.id)) return weld;
  const inspections = [...weld.inspections, judged(weld, inspection)];
  return { ...weld, inspections, state: weldState(inspections, weld.repairs) };
}

/** A weld with a repair more; one that it has already changes nothing. */
export function withRepair(weld: Weld, repair: NewRepair): Weld {
  if (weld.repairs.some(({ id }) => id === repair.id)) return weld;
  const repairs = [...weld.repairs, repair];
  return { ...weld, repairs, state: weldState(weld.inspections, repairs) };
}
