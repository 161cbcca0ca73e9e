import type { Rig } from '@/core/case/schema';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { platform } from '@/platform/ports';
import { makeChange } from '../../../client/send-changes';
import { useSubmit } from '../../../client/use-records';

/** Makes the next setup of a rig of what is fitted now: a part anew, a spool that was weighed, a cylinder that was read. */
export function useRefit({ id, revision, setup }: RigRecord): {
  refit: (change: (fitted: Rig, at: string) => Rig) => Promise<boolean>;
  busy: boolean;
  problem: string | null;
} {
  const { put, busy, problem } = useSubmit();
  const { rig, display, arcControlRising } = setup;
  return {
    refit: (change) => {
      const at = platform().now().toISOString();
      const next = { id: platform().newId(), fittedAt: at, rig: change(rig, at), display, arcControlRising };
      return put([makeChange('refit', id, next, revision)]);
    },
    busy,
    problem,
  };
}
