import { Link, useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { memo, useCallback, useDeferredValue, useMemo, useState, type ReactElement } from 'react';
import { FlatList, Pressable, ScrollView, useWindowDimensions, View } from 'react-native';
import type { Entry, EntryKind, EntryPage } from '@/core/record/entry-schema';
import { BeadThumb } from '@/ui/bead/BeadThumb';
import { Button, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { useTitle } from '@/ui/use-keys';
import { WIDE } from '@/ui/wide';
import { Heading, Words } from '@/ui/Words';
import { LogTabs } from '../shared/LogTabs';
import { clockWords, dayWords } from '../shared/time-words';
import { useUnits } from '../shared/use-habits';
import { DAY_PARAMS, dayQuery, narrowedBy, type DayParams } from './day-filter';
import { DayFilters } from './DayFilters';
import { useDays } from './use-days';
import { WaitingLine } from './WaitingLine';

const NONE: DayParams = Object.fromEntries(DAY_PARAMS.map((name) => [name, '']));

/** Everything that happened, by the day: beads, kept settings, welds, parts and care; searched and narrowed. */
export function DaysPlace() {
  useTitle('Day by day');
  const router = useRouter();
  const units = useUnits();
  const isWide = useWindowDimensions().width >= WIDE;
  const params = useLocalSearchParams<DayParams>();
  const [open, setOpen] = useState(false);
  // Letters may come faster than pages do; the list follows when there is time.
  const said = useDeferredValue(params);
  const asked = useMemo(() => dayQuery(said, units), [said, units]);
  const change = (next: DayParams): void =>
    router.setParams(
      Object.fromEntries(Object.entries(next).map(([name, value]) => [name, value === '' ? undefined : value])),
    );
  const narrowed = narrowedBy(params);
  const filters = (
    <DayFilters params={params} onChange={change} onClear={() => change({ ...NONE, text: params.text })} />
  );
  const head = (
    <View className="gap-3">
      <Heading level={1}>Day by day</Heading>
      <LogTabs at="days" />
      <WaitingLine />
      <TextField
        label="Find: what it was for, what it showed, who"
        value={params.text ?? ''}
        onChange={(text) => change({ text })}
        maxLength={80}
      />
      {!isWide && (
        <Toggle
          label={narrowed === 0 ? 'Narrow it' : `Narrowed by ${narrowed}`}
          on={open}
          onPress={() => setOpen(!open)}
        />
      )}
      {!isWide && open && filters}
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
  const list = <DayList asked={asked} head={head} none={none} isWide={isWide} />;
  if (!isWide) return list;
  return (
    <Row className="h-full flex-1">
      <ScrollView className="w-[360px] flex-none border-r-2 border-edge" contentContainerClassName="p-4">
        {filters}
      </ScrollView>
      <View className="min-w-0 flex-1">{list}</View>
    </Row>
  );
}

type Asked = ReturnType<typeof dayQuery>;
/** An entry with its day where that is another than that of the one above. */
type DayRow = { entry: Entry; day: string | null };

/** Rows of pages that were made: a page that comes leaves those before it as they are, so that nothing of them is drawn again. */
const made = new WeakMap<EntryPage, { below: string | null; rows: DayRow[] }>();

function rowsOf(pages: readonly EntryPage[]): DayRow[] {
  let last: string | null = null;
  return pages.flatMap((page) => {
    const known = made.get(page);
    const below = last;
    const rows =
      known?.below === below
        ? known.rows
        : page.entries.map((entry, i): DayRow => {
            const above = i === 0 ? below : dayWords(page.entries[i - 1].at);
            const day = dayWords(entry.at);
            return { entry, day: day === above ? null : day };
          });
    made.set(page, { below, rows });
    last = page.entries.length === 0 ? last : dayWords(page.entries[page.entries.length - 1].at);
    return rows;
  });
}

const keyOf = ({ entry: { kind, of } }: DayRow): string => `${kind} ${of}`;

type ListProps = { asked: Asked; head: ReactElement; none: ReactElement; isWide: boolean };

/** The list by itself: what is typed and tapped over it stands apart from the pages that come to it. */
function DayList({ asked, head, none, isWide }: ListProps) {
  const { data, isError, error, refetch, fetchNextPage } = useDays(asked);
  const rows = useMemo(() => (data === undefined ? [] : rowsOf(data.pages)), [data]);
  const draw = useCallback(
    ({ item: { entry, day } }: { item: DayRow }) => <EntryRow entry={entry} day={day} isWide={isWide} />,
    [isWide],
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
    <FlatList
      data={rows}
      keyExtractor={keyOf}
      // A screen and a half on either side, put up a few lines at a time.
      windowSize={4}
      initialNumToRender={10}
      maxToRenderPerBatch={4}
      updateCellsBatchingPeriod={16}
      contentContainerStyle={PADDING}
      onEndReachedThreshold={1}
      onEndReached={older}
      ListHeaderComponent={head}
      ListEmptyComponent={data === undefined ? <Loading what="the days" /> : none}
      ListFooterComponent={<Older asked={asked} onMore={older} />}
      renderItem={draw}
    />
  );
}

const PADDING = { padding: 16 };

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

const KIND_WORDS: Record<EntryKind, string> = {
  coupon: 'Coupon',
  bead: 'Bead',
  proven: 'Kept setting',
  weld: 'Weld',
  inspection: 'Inspection',
  repair: 'Repair',
  refit: 'Fitted',
  care: 'Care',
};

/** Where an entry leads: to the thing itself, the bead on its coupon. */
function leadsTo({ kind, of, couponId, weldId, rigId, number }: Entry): Href {
  if (kind === 'proven') return { pathname: '/proven/[provenId]', params: { provenId: of } };
  if (weldId !== null) return { pathname: '/weld/[weldId]', params: { weldId } };
  if (couponId !== null)
    return { pathname: '/coupon/[couponId]', params: { couponId, ...(number === null ? {} : { bead: number }) } };
  if (kind === 'care') return { pathname: '/rig/[part]/[rigId]', params: { part: 'care', rigId } };
  return { pathname: '/rig/[rigId]', params: { rigId } };
}

type RowProps = { entry: Entry; day: string | null; isWide: boolean };

/** What is in a line moves nothing outside of it: the browser need not look at the others when one is put in. */
const ALONE = { contain: 'layout' } as object;

const EntryRow = memo(function EntryRow({ entry, day, isWide }: RowProps) {
  const { kind, number, title, says, at, rigName, by, appearance } = entry;
  const what = kind === 'bead' ? `Bead ${number ?? ''}` : KIND_WORDS[kind];
  const where = [...(title === rigName || says === rigName ? [] : [rigName]), ...(by === null ? [] : [by])];
  return (
    <View className="gap-2 pt-2" style={ALONE}>
      {day !== null && (
        <Heading level={2} className="pt-2">
          {day}
        </Heading>
      )}
      <Link href={leadsTo(entry)} asChild>
        <Pressable
          role="link"
          aria-label={`${what}, ${title}: ${says}`}
          className="min-h-14 flex-row items-center gap-3 rounded-md bg-plate p-3"
        >
          <View className="w-20">
            {kind === 'bead' ? (
              <View className="overflow-hidden rounded-sm">
                <BeadThumb appearance={appearance} width={80} />
              </View>
            ) : (
              <Words className="text-sm text-faint">{what}</Words>
            )}
          </View>
          <View className={isWide ? 'min-w-0 flex-1 flex-row items-baseline gap-4' : 'min-w-0 flex-1'}>
            <View className={isWide ? 'min-w-0 flex-[3]' : ''}>
              <Words strong>{says === rigName ? title : kind === 'bead' ? `${what}: ${says}` : says}</Words>
              {says !== rigName && <Words className="text-sm">{title}</Words>}
            </View>
            <Words className={`text-sm text-faint ${isWide ? 'flex-1 text-right' : ''}`}>
              {[clockWords(at), ...where].join(' · ')}
            </Words>
          </View>
        </Pressable>
      </Link>
    </View>
  );
});
