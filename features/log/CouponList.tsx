import { Link, useRouter } from 'expo-router';
import { memo } from 'react';
import { FlatList, Pressable, View } from 'react-native';
import { appearanceFrom } from '@/core/bead/appearance';
import { outcomeWords } from '@/core/record/outcome';
import type { CouponSummary } from '@/core/record/schema';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { Heading, Words } from '@/ui/Words';
import type { LogFilter } from '../shared/api';
import { jobWords } from '../shared/job-words';
import { LogTabs } from '../shared/LogTabs';
import { useUnits } from '../shared/use-habits';
import type { useLog } from '../shared/use-records';
import { dayWords } from '../shared/time-words';
import { WaitingLine } from './WaitingLine';

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

/** Every coupon, newest first, a page at a time. */
export function CouponList({ log, filter, onFilter, chosenId }: ListProps) {
  if (log.data === undefined && log.isError)
    return (
      <StateNote
        title="The log cannot be read"
        text={log.error.message}
        action={{ label: 'Try again', onPress: () => void log.refetch() }}
      />
    );
  const coupons = log.data?.flatMap((page) => page.coupons);
  return (
    <FlatList
      data={coupons ?? []}
      keyExtractor={({ id }) => id}
      contentContainerClassName="gap-3 p-4"
      onEndReachedThreshold={1}
      onEndReached={() => {
        if (log.hasNextPage && !log.isFetchingNextPage) void log.fetchNextPage();
      }}
      ListHeaderComponent={
        <View className="gap-3">
          <Heading level={1}>Log</Heading>
          <LogTabs at="coupons" />
          <WaitingLine />
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
      ListEmptyComponent={
        coupons === undefined ? <Loading what="the log" /> : <NoCoupons filter={filter} onFilter={onFilter} />
      }
      ListFooterComponent={
        log.hasNextPage ? (
          <Button
            label={log.isFetchingNextPage ? 'Fetching older ones…' : 'Older ones'}
            onPress={() => void log.fetchNextPage()}
          />
        ) : null
      }
      renderItem={({ item }) => <CouponRow coupon={item} here={item.id === chosenId} />}
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
    <Link href={{ pathname: '/coupon/[couponId]', params: { couponId: coupon.id } }} asChild>
      <Pressable
        role="link"
        aria-current={here ? 'page' : undefined}
        className={`gap-2 rounded-md border-2 bg-plate p-3 ${here ? 'border-ink' : 'border-transparent'}`}
      >
        <Row className="items-baseline justify-between gap-2">
          <Words strong className="min-w-0 flex-1 text-lg" numberOfLines={2}>
            {coupon.title}
          </Words>
          <Words className="text-sm">{dayWords(coupon.createdAt)}</Words>
        </Row>
        <Row className="gap-1 overflow-hidden">
          {coupon.lastBeads.map(({ number, appearance }) => (
            <View key={number} className="w-20 overflow-hidden rounded-sm">
              <BeadDrawing bead={appearanceFrom(appearance)} view="top" height={43} />
            </View>
          ))}
        </Row>
        <Words className="text-sm text-faint">{`${jobWords(coupon.job.job, units)} · ${coupon.rigName}`}</Words>
        <Words strong>{resultWords(coupon)}</Words>
      </Pressable>
    </Link>
  );
});
