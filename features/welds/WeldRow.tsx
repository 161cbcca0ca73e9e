import { Link } from 'expo-router';
import { Pressable } from 'react-native';
import type { Weld } from '@/core/record/weld-schema';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { jobWords } from '../shared/job-words';
import { dayWords } from '../shared/time-words';
import { useUnits } from '../shared/use-habits';
import { WELD_STATE_WORDS } from '@/core/record/weld-words';

/** A weld as lists show it: what, how it stands, by whom. @param here whether it is the one that is open */
export function WeldRow({ weld, here = false }: { weld: Weld; here?: boolean }) {
  const units = useUnits();
  const { id, title, state, weldedAt, by, job, rigName } = weld;
  return (
    <Link href={{ pathname: '/weld/[weldId]', params: { weldId: id } }} asChild>
      <Pressable
        role="link"
        aria-current={here ? 'page' : undefined}
        className={`min-h-14 gap-1 rounded-md border-2 bg-plate p-3 ${here ? 'border-ink' : 'border-transparent'}`}
      >
        <Row className="items-baseline justify-between gap-2">
          <Words strong className="min-w-0 flex-1 text-lg" numberOfLines={2}>
            {title}
          </Words>
          <Words strong>{WELD_STATE_WORDS[state]}</Words>
        </Row>
        <Words className="text-sm text-faint">{`${jobWords(job, units)} · ${rigName}`}</Words>
        <Words className="text-sm">{`${by}, ${dayWords(weldedAt)}`}</Words>
      </Pressable>
    </Link>
  );
}
