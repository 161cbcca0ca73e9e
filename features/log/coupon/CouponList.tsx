import { useRouter } from 'expo-router';
import { memo, useCallback, useMemo } from 'react';
import { View } from 'react-native';
import { outcomeWords } from '@/core/record/words/outcome';
import type { CouponSummary } from '@/core/record/shapes/record-schema';
import { BeadThumb } from '@/ui/bead/BeadThumb';
import { ListLink } from '@/ui/ListLink';
import { LongList } from '@/ui/LongList';
import { Button, Choice } from '@/ui/Press';
import { Loading, StateNote } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { Heading } from '@/ui/Words';
import type { LogFilter } from '../../../client/api';
import { jobWords } from '../../shared/job-words';
import { LogTabs } from '../../shared/LogTabs';
import { useUnits } from '../../shared/use-habits';
import { useOlder } from '../../../client/use-older';
import type { useLog } from '../../../client/use-records';
import { dayWords } from '../../shared/time-words';
import { CopiesLine } from '../pending/CopiesPart';
import { PendingLine } from '../pending/PendingLine';

type Shown = LogFilter['state'] | 'away';
const SHOWN: { value: Shown; label: string }[] = [
  { value: 'all', label: 'All' },
  { value: 'sound', label: 'Sound' },
  { value: 'open', label: 'Not sound yet' },
  { value: 'away', label: 'Put away' },
];

type ListProps = {
  log: ReturnType<typeof useLog>;
  filter: LogFilter;
  onFilter: (next: LogFilter) => void;
  chosenId: string | null;
};

const NONE: readonly CouponSummary[] = [];
const idOf = ({ id }: CouponSummary): string => id;

/** Every coupon, newest first, a page at a time. */
export function CouponList({ log, filter, onFilter, chosenId }: ListProps) {
  const { data, hasNextPage, isFetchingNextPage } = log;
  const coupons = useMemo(() => data?.flatMap((page) => page.coupons), [data]);
  const older = useOlder(log);
  const draw = useCallback(
    (coupon: CouponSummary) => <CouponRow coupon={coupon} here={coupon.id === chosenId} />,
    [chosenId],
  );
  if (log.data === undefined && log.isError)
    return (
      <StateNote
        title="The log cannot be read"
        text={log.error.message}
        action={{ label: 'Try again', onPress: () => void log.refetch() }}
      />
    );
  return (
    <LongList
      name={`coupons ${JSON.stringify(filter)}`}
      items={coupons ?? NONE}
      keyOf={idOf}
      draw={draw}
      about={160}
      head={
        <View className="gap-3">
          <Heading level={1}>Log</Heading>
          <LogTabs at="coupons" />
          <PendingLine />
          <CopiesLine />
          <Choice
            label="Which coupons"
            options={SHOWN}
            chosen={filter.putAway ? 'away' : filter.state}
            onChoose={(shown) =>
              onFilter({ ...filter, state: shown === 'away' ? 'all' : shown, putAway: shown === 'away' })
            }
          />
          <TextField
            label="Find by what it was for"
            value={filter.text}
            onChange={(text) => onFilter({ ...filter, text })}
            maxLength={80}
          />
        </View>
      }
      none={coupons === undefined ? <Loading what="the log" /> : <NoCoupons filter={filter} onFilter={onFilter} />}
      foot={
        hasNextPage ? (
          <Button label={isFetchingNextPage ? 'Fetching older ones…' : 'Older ones'} onPress={older} />
        ) : null
      }
      onNearEnd={older}
    />
  );
}

function NoCoupons({ filter, onFilter }: Pick<ListProps, 'filter' | 'onFilter'>) {
  const router = useRouter();
  const all = filter.state === 'all' && !filter.putAway && filter.text.trim() === '';
  return all ? (
    <StateNote
      title="Nothing logged yet"
      text="Put a coupon on the bench and run a bead; it is kept here."
      action={{ label: 'New coupon', onPress: () => router.push('/job/new') }}
    />
  ) : (
    <StateNote
      title="None of these"
      text="Look at all coupons instead."
      action={{ label: 'All', onPress: () => onFilter({ state: 'all', text: '', putAway: false }) }}
    />
  );
}

/** "4 beads, sound after 3". */
function resultWords({ beadCount, soundNumber, lastBeads }: CouponSummary): string {
  const last = lastBeads[lastBeads.length - 1];
  const beads = `${beadCount} ${beadCount === 1 ? 'bead' : 'beads'}`;
  if (soundNumber !== null) return `${beads}, sound with bead ${soundNumber}`;
  return last === undefined ? 'no bead yet' : `${beads}, ${outcomeWords(last)}`;
}

const CouponRow = memo(function CouponRow({ coupon, here }: { coupon: CouponSummary; here: boolean }) {
  const units = useUnits();
  return (
    <ListLink to={`/coupon/${coupon.id}`} here={here} className="flex-col gap-2">
      <div className="flex items-baseline justify-between gap-2">
        <div className="line-clamp-2 min-w-0 flex-1 break-words font-strong text-lg">{coupon.title}</div>
        <div className="text-sm">{dayWords(coupon.createdAt)}</div>
      </div>
      <div className="flex gap-1 overflow-hidden">
        {coupon.lastBeads.map(({ number, appearance }) => (
          <div key={number} className="w-20 flex-none overflow-hidden rounded-sm">
            <BeadThumb appearance={appearance} width={80} />
          </div>
        ))}
      </div>
      <div className="text-sm text-faint">{`${jobWords(coupon.job.job, units)} · ${coupon.rigName}`}</div>
      <div className="font-strong">{resultWords(coupon)}</div>
    </ListLink>
  );
});
