import { FlashList } from '@shopify/flash-list';
import { Link, useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { memo, useDeferredValue, useMemo, useState } from 'react';
import { Pressable, ScrollView, useWindowDimensions, View } from 'react-native';
import { appearanceFrom } from '@/core/bead/appearance';
import type { Entry, EntryKind } from '@/core/record/entry-schema';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
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
  const days = useDays(useMemo(() => dayQuery(said, units), [said, units]));
  const entries = useMemo(() => days.data?.pages.flatMap((page) => page.entries), [days.data]);
  const change = (next: DayParams): void =>
    router.setParams(
      Object.fromEntries(Object.entries(next).map(([name, value]) => [name, value === '' ? undefined : value])),
    );
  const narrowed = narrowedBy(params);
  const filters = (
    <DayFilters params={params} onChange={change} onClear={() => change({ ...NONE, text: params.text })} />
  );
  const list =
    entries === undefined && days.isError ? (
      <StateNote
        title="The days cannot be read"
        text={days.error.message}
        action={{ label: 'Try again', onPress: () => void days.refetch() }}
      />
    ) : (
      <FlashList
        data={entries ?? []}
        keyExtractor={({ kind, of }) => `${kind} ${of}`}
        contentContainerStyle={{ padding: 16 }}
        getItemType={({ kind }) => (kind === 'bead' ? 'bead' : 'other')}
        onEndReachedThreshold={1}
        onEndReached={() => {
          if (days.hasNextPage && !days.isFetchingNextPage) void days.fetchNextPage();
        }}
        ListHeaderComponent={
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
        }
        ListEmptyComponent={
          entries === undefined ? (
            <Loading what="the days" />
          ) : narrowed > 0 || (params.text ?? '') !== '' ? (
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
          )
        }
        ListFooterComponent={
          days.hasNextPage ? (
            <Button
              label={days.isFetchingNextPage ? 'Fetching older ones…' : 'Older ones'}
              onPress={() => void days.fetchNextPage()}
            />
          ) : null
        }
        renderItem={({ item, index }) => (
          <EntryRow entry={item} day={newDay(item, entries?.[index - 1])} isWide={isWide} />
        )}
      />
    );
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

/** The day of an entry where it is another than that of the one above; null where it is the same. */
function newDay({ at }: Entry, above: Entry | undefined): string | null {
  const day = dayWords(at);
  return above !== undefined && dayWords(above.at) === day ? null : day;
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

const EntryRow = memo(function EntryRow({ entry, day, isWide }: RowProps) {
  const { kind, number, title, says, at, rigName, by, appearance } = entry;
  const what = kind === 'bead' ? `Bead ${number ?? ''}` : KIND_WORDS[kind];
  const where = [...(title === rigName || says === rigName ? [] : [rigName]), ...(by === null ? [] : [by])];
  return (
    <View className="gap-2 pt-2">
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
                <BeadDrawing bead={appearanceFrom(appearance)} view="top" height={43} />
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
