import { useRouter } from 'expo-router';
import { useDeferredValue, useState } from 'react';
import { FlatList, useWindowDimensions, View } from 'react-native';
import type { WeldState } from '@/core/record/weld-schema';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { TwoPane } from '@/ui/TwoPane';
import { useTitle } from '@/ui/use-keys';
import { WIDE } from '@/ui/wide';
import { Heading, Words } from '@/ui/Words';
import { LogTabs } from '../shared/LogTabs';
import { useWeldPages } from '../shared/use-welds';
import { WELD_STATE_WORDS } from '@/core/record/weld-words';
import { WeldDetail } from './WeldDetail';
import { WeldRow } from './WeldRow';

export { WeldDetail };

type Shown = 'all' | 'away' | Exclude<WeldState, 'open'>;
const SHOWN: { value: Shown; label: string }[] = [
  { value: 'all', label: 'All' },
  { value: 'to-inspect', label: WELD_STATE_WORDS['to-inspect'] },
  { value: 'repair', label: WELD_STATE_WORDS.repair },
  { value: 'reject', label: WELD_STATE_WORDS.reject },
  { value: 'accept', label: WELD_STATE_WORDS.accept },
  { value: 'away', label: 'Put away' },
];

/** The welds of the workshop, newest first, and the one that is looked at. @param weldId null while none is */
export function WeldPlace({ weldId }: { weldId: string | null }) {
  useTitle('Welds');
  const router = useRouter();
  const isWide = useWindowDimensions().width >= WIDE;
  const [shown, setShown] = useState<Shown>('all');
  const [text, setText] = useState('');
  const said = useDeferredValue(text).trim();
  const { pages, welds } = useWeldPages({
    ...(said === '' ? {} : { text: said }),
    ...(shown === 'away' ? { putAway: true } : shown === 'all' ? {} : { state: shown }),
  });
  const open = weldId ?? (isWide ? (welds?.[0]?.id ?? null) : null);
  const list =
    welds === undefined && pages.isError ? (
      <StateNote
        title="The welds cannot be read"
        text={pages.error.message}
        action={{ label: 'Try again', onPress: () => void pages.refetch() }}
      />
    ) : (
      <FlatList
        data={welds ?? []}
        keyExtractor={({ id }) => id}
        contentContainerClassName="gap-3 p-4"
        onEndReachedThreshold={1}
        onEndReached={() => {
          if (pages.hasNextPage && !pages.isFetchingNextPage) void pages.fetchNextPage();
        }}
        ListHeaderComponent={
          <View className="gap-3">
            <Heading level={1}>Welds</Heading>
            <LogTabs at="welds" />
            <Choice label="Which welds" options={SHOWN} chosen={shown} onChoose={setShown} />
            <TextField label="Find by what was welded" value={text} onChange={setText} maxLength={80} />
            <Row>
              <Button label="Limits of acceptance" onPress={() => router.push('/levels')} />
            </Row>
          </View>
        }
        ListEmptyComponent={
          welds === undefined ? (
            <Loading what="the welds" />
          ) : (
            <StateNote
              title={shown === 'all' && said === '' ? 'No weld logged yet' : 'None of these'}
              text="A weld is logged on the setting it is made with."
              action={{ label: 'To the kept settings', onPress: () => router.navigate('/proven') }}
            />
          )
        }
        ListFooterComponent={
          pages.hasNextPage ? <Button label="Older ones" onPress={() => void pages.fetchNextPage()} /> : null
        }
        renderItem={({ item }) => <WeldRow weld={item} here={isWide && item.id === open} />}
      />
    );
  if (!isWide && weldId === null) return list;
  const detail =
    open === null ? (
      <Words className="p-6 text-faint">Choose a weld to see it.</Words>
    ) : (
      <WeldDetail key={open} weldId={open} named={weldId !== null} />
    );
  return <TwoPane list={list} detail={detail} chosen={weldId !== null} />;
}
