import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useDeferredValue, useMemo, useState, type ReactElement, type ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import type { Entry, EntryPage } from '@/core/record/shapes/log-entry-schema';
import { LongList } from '@/ui/LongList';
import { Button, Toggle } from '@/ui/Press';
import { Loading, StateNote } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { TwoPane } from '@/ui/TwoPane';
import { useTitle } from '@/ui/use-keys';
import { WIDE } from '@/ui/wide';
import { Heading, Words } from '@/ui/Words';
import { LogTabs } from '../../shared/LogTabs';
import { dayWords } from '../../shared/time-words';
import { useUnits } from '../../shared/use-habits';
import { DAY_PARAMS, dayQuery, narrowedBy, type DayParams } from './day-filter';
import { leadsTo, lineOf, opened, openedFrom, openedText, pageOf, type Leads } from './day-open';
import { CopiesLine } from '../pending/CopiesPart';
import { DayFilters } from './DayFilters';
import { DayRow } from './DayRow';
import { useDays } from './use-days';
import { PendingLine } from '../pending/PendingLine';

const NONE: DayParams = Object.fromEntries(DAY_PARAMS.map((name) => [name, '']));

type DaysProps = {
  /** Draws what a line leads to, for the place beside the list. @param onAll shows the whole coupon and not the one bead */
  beside: (leads: Leads, onAll: () => void) => ReactNode;
};

/**
 * Everything that happened, by the day: beads, kept settings, welds, parts and care; searched and narrowed. On a wide screen what a
 * line leads to stands beside the list, and what narrows it while that is asked for.
 */
export function DaysPlace({ beside }: DaysProps) {
  useTitle('Day by day');
  const router = useRouter();
  const units = useUnits();
  const isWide = useWindowDimensions().width >= WIDE;
  const params = useLocalSearchParams<DayParams>();
  const [narrowing, setNarrowing] = useState(false);
  const change = (next: DayParams): void =>
    router.setParams(
      Object.fromEntries(Object.entries(next).map(([name, value]) => [name, value === '' ? undefined : value])),
    );
  // Letters may come faster than pages do; the list follows when there is time.
  const said = useDeferredValue(params);
  const asked = useMemo(() => dayQuery(said, units), [said, units]);
  const { data } = useDays(asked);
  const [newest] = data?.pages[0]?.entries ?? [];
  // On a wide screen the newest stands open while none is chosen.
  const open = isWide ? (openedFrom(params.open) ?? (newest === undefined ? null : opened(newest))) : null;
  const show = useCallback(
    (entry: Entry): void => {
      if (!isWide) return router.push(pageOf(leadsTo(entry)));
      setNarrowing(false);
      router.setParams({ open: openedText(opened(entry)) });
    },
    [isWide, router],
  );
  const narrowed = narrowedBy(params);
  const filters = (
    <DayFilters params={params} onChange={change} onClear={() => change({ ...NONE, text: params.text })} />
  );
  const head = (
    <View className="gap-3">
      <Heading level={1}>Day by day</Heading>
      <LogTabs at="days" />
      <PendingLine />
      <CopiesLine />
      <TextField
        label="Find: what it was for, what it showed, who"
        value={params.text ?? ''}
        onChange={(text) => change({ text })}
        maxLength={80}
      />
      <Toggle
        label={narrowed === 0 ? 'Narrow it' : `Narrowed by ${narrowed}`}
        on={narrowing}
        onPress={() => setNarrowing(!narrowing)}
      />
      {!isWide && narrowing && filters}
    </View>
  );
  const none =
    narrowed > 0 || (params.text ?? '') !== '' ? (
      <StateNote
        title="None of these"
        text="Nothing in the record is like that."
        action={{ label: 'Everything again', onPress: () => change(NONE) }}
      />
    ) : (
      <StateNote
        title="Nothing yet"
        text="What is run, kept, welded and fitted stands here, by the day."
        action={{ label: 'New coupon', onPress: () => router.push('/job/new') }}
      />
    );
  const list = <DayList asked={asked} head={head} none={none} openLine={open?.line ?? null} onOpen={show} />;
  if (!isWide) return list;
  const detail = narrowing ? (
    <ScrollView contentContainerClassName="w-full max-w-3xl self-center p-4">{filters}</ScrollView>
  ) : open === null ? (
    <Words className="p-6 text-faint">Choose a line to see all of it.</Words>
  ) : (
    beside(open, () => change({ open: openedText({ ...open, bead: null }) }))
  );
  return <TwoPane list={list} detail={detail} chosen={false} />;
}

type Asked = ReturnType<typeof dayQuery>;
/** An entry with its day where that is another than that of the one above. */
type DayLine = { entry: Entry; day: string | null };

/** Lines of pages that were made: a page that comes leaves those before it as they are, so that nothing of them is drawn again. */
const made = new WeakMap<EntryPage, { below: string | null; lines: DayLine[] }>();

function linesOf(pages: readonly EntryPage[]): DayLine[] {
  let last: string | null = null;
  return pages.flatMap((page) => {
    const known = made.get(page);
    const below = last;
    const lines =
      known?.below === below
        ? known.lines
        : page.entries.map((entry, i): DayLine => {
            const above = i === 0 ? below : dayWords(page.entries[i - 1].at);
            const day = dayWords(entry.at);
            return { entry, day: day === above ? null : day };
          });
    made.set(page, { below, lines });
    last = page.entries.length === 0 ? last : dayWords(page.entries[page.entries.length - 1].at);
    return lines;
  });
}

const keyOf = ({ entry }: DayLine): string => lineOf(entry);

type ListProps = {
  asked: Asked;
  head: ReactElement;
  none: ReactElement;
  openLine: string | null;
  onOpen: (entry: Entry) => void;
};

/** The list by itself: what is typed and tapped over it stands apart from the pages that come to it. */
function DayList({ asked, head, none, openLine, onOpen }: ListProps) {
  const { data, isError, error, refetch, fetchNextPage } = useDays(asked);
  // Another search is another list, read from its head.
  const name = `days ${JSON.stringify(asked)}`;
  const lines = useMemo(() => (data === undefined ? [] : linesOf(data.pages)), [data]);
  const draw = useCallback(
    ({ entry, day }: DayLine) => <DayRow entry={entry} day={day} here={lineOf(entry) === openLine} onOpen={onOpen} />,
    [openLine, onOpen],
  );
  // One that is coming is not asked for again.
  const older = useCallback(() => void fetchNextPage({ cancelRefetch: false }), [fetchNextPage]);
  if (data === undefined && isError)
    return (
      <StateNote
        title="The days cannot be read"
        text={error.message}
        action={{ label: 'Try again', onPress: () => void refetch() }}
      />
    );
  return (
    <LongList
      name={name}
      items={lines}
      keyOf={keyOf}
      draw={draw}
      about={100}
      head={head}
      none={data === undefined ? <Loading what="the days" /> : none}
      foot={<Older asked={asked} onMore={older} />}
      onNearEnd={older}
    />
  );
}

/** The way on where scrolling does not go on by itself. */
function Older({ asked, onMore }: { asked: Asked; onMore: () => void }) {
  const { hasNextPage, isFetchingNextPage } = useDays(asked);
  if (!hasNextPage) return null;
  return (
    <View className="pt-3">
      <Button label={isFetchingNextPage ? 'Fetching older ones…' : 'Older ones'} onPress={onMore} />
    </View>
  );
}
