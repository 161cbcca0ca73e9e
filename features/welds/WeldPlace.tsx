import { useRouter } from 'expo-router';
import { useCallback, useDeferredValue } from 'react';
import { useWindowDimensions, View } from 'react-native';
import type { Weld, WeldState } from '@/core/record/shapes/weld-schema';
import { LongList } from '@/ui/LongList';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { TwoPane } from '@/ui/TwoPane';
import { useTitle } from '@/ui/use-keys';
import { useLeft } from '@/ui/use-left';
import { WIDE } from '@/ui/wide';
import { Heading, Words } from '@/ui/Words';
import { LogTabs } from '../shared/LogTabs';
import { useOlder } from '../../client/use-older';
import { useWeldPages } from '../../client/use-welds';
import { WELD_STATE_WORDS } from '@/core/record/words/weld-words';
import { WeldDetail } from './WeldDetail';
import { WeldRow } from './WeldRow';

type Shown = 'all' | 'away' | Exclude<WeldState, 'open'>;
const SHOWN: { value: Shown; label: string }[] = [
  { value: 'all', label: 'All' },
  { value: 'to-inspect', label: WELD_STATE_WORDS['to-inspect'] },
  { value: 'repair', label: WELD_STATE_WORDS.repair },
  { value: 'reject', label: WELD_STATE_WORDS.reject },
  { value: 'accept', label: WELD_STATE_WORDS.accept },
  { value: 'away', label: 'Put away' },
];

const NONE: readonly Weld[] = [];
const idOf = ({ id }: Weld): string => id;

/** The welds of the workshop, newest first, and the one that is looked at. @param weldId null while none is */
export function WeldPlace({ weldId }: { weldId: string | null }) {
  useTitle('Welds');
  const router = useRouter();
  const isWide = useWindowDimensions().width >= WIDE;
  const [shown, setShown] = useLeft<Shown>('which welds', 'all');
  const [text, setText] = useLeft('find welds', '');
  const said = useDeferredValue(text).trim();
  const { pages, welds } = useWeldPages({
    ...(said === '' ? {} : { text: said }),
    ...(shown === 'away' ? { putAway: true } : shown === 'all' ? {} : { state: shown }),
  });
  const { hasNextPage } = pages;
  const older = useOlder(pages);
  const open = weldId ?? (isWide ? (welds?.[0]?.id ?? null) : null);
  const chosenId = isWide ? open : null;
  const draw = useCallback((weld: Weld) => <WeldRow weld={weld} here={weld.id === chosenId} />, [chosenId]);
  const list =
    welds === undefined && pages.isError ? (
      <StateNote
        title="The welds cannot be read"
        text={pages.error.message}
        action={{ label: 'Try again', onPress: () => void pages.refetch() }}
      />
    ) : (
      <LongList
        name={`welds ${shown} ${said}`}
        items={welds ?? NONE}
        keyOf={idOf}
        draw={draw}
        about={112}
        head={
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
        none={
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
        foot={hasNextPage ? <Button label="Older ones" onPress={older} /> : null}
        onNearEnd={older}
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
