import { memo } from 'react';
import type { Weld } from '@/core/record/shapes/weld-schema';
import { WELD_STATE_WORDS } from '@/core/record/words/weld-words';
import { ListLink } from '@/ui/ListLink';
import { jobWords } from '../shared/job-words';
import { dayWords } from '../shared/time-words';
import { useUnits } from '../shared/use-habits';

/** A weld as lists show it: what, how it stands, by whom. @param here whether it is the one that is open */
export const WeldRow = memo(function WeldRow({ weld, here = false }: { weld: Weld; here?: boolean }) {
  const units = useUnits();
  const { id, title, state, weldedAt, by, job, rigName } = weld;
  return (
    <ListLink to={`/weld/${id}`} here={here} className="flex-col gap-1">
      <div className="flex items-baseline justify-between gap-2 font-strong">
        <div className="line-clamp-2 min-w-0 flex-1 break-words text-lg">{title}</div>
        <div>{WELD_STATE_WORDS[state]}</div>
      </div>
      <div className="text-sm text-faint">{`${jobWords(job, units)} · ${rigName}`}</div>
      <div className="text-sm">{`${by}, ${dayWords(weldedAt)}`}</div>
    </ListLink>
  );
});
