import type { Case } from '@/core/case/schema';
import { CASE_FORMAT } from '@/core/case/terms';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { BENCH_COUPON } from '@/client/stored/device-state';
import { useStoredPart } from '@/platform/stored';
import { useHabits } from '../../shared/use-habits';
import { useCoupon } from '../../../client/use-records';

/** A rig with the job that is on the bench for it, if there is one, in the schools of the one who looks. */
export function useBenchCase(rig: RigRecord): Case {
  const [{ schools }] = useHabits();
  const onBench = useCoupon(useStoredPart(BENCH_COUPON, (id) => id)).data;
  const job = onBench?.rigId === rig.id ? onBench.job.job : undefined;
  return { format: CASE_FORMAT, rig: rig.setup.rig, preferences: schools, ...(job === undefined ? {} : { job }) };
}
