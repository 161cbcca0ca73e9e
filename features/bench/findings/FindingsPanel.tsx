import Search from 'lucide-react-native/icons/search';
import { lazy, memo, Suspense, useDeferredValue, useMemo, useState, type RefObject } from 'react';
import { Pressable, ScrollView, TextInput, View } from 'react-native';
import type { FindingState } from '@/core/case/schema';
import type { StatedId } from '@/core/evidence/ids';
import { FINDINGS } from '@/core/knowledge/findings';
import type { Finding, Sense } from '@/core/knowledge/shapes/types';
import { FindingDrawing } from '@/ui/bead/FindingDrawing';
import { Button, Choice, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useGlove } from '@/ui/use-glove';
import { useInk } from '@/ui/use-ink';
import { Heading, Words } from '@/ui/Words';
import { useBenchActions, useDraftPart, useLive } from '../state/bench';
import { useFound } from './use-found';

/** Fetched when the arc is listened to. */
const ListenHere = lazy(() => import('./ListenHere'));

type Tab = 'telling' | Sense;
const TABS: readonly { sense: Tab; label: string }[] = [
  { sense: 'telling', label: 'Look for' },
  { sense: 'see', label: 'See' },
  { sense: 'hear', label: 'Hear' },
  { sense: 'feel', label: 'Feel' },
  { sense: 'behind', label: 'Behind' },
  { sense: 'cut', label: 'Cut' },
];

const NO_FINDINGS: readonly StatedId[] = [];
const byId = new Map<string, Finding>(FINDINGS.map((entry) => [entry.id, entry]));

type PanelProps = { wide: boolean; searchField: RefObject<TextInput | null> };

/** Shows what the bead shows, picked by picture: the most telling first, by sense, or by typing a trade word. */
export function FindingsPanel({ wide, searchField }: PanelProps) {
  // The next bead begins with nothing held or sought.
  return <Panel key={useDraftPart(({ id }) => id)} wide={wide} searchField={searchField} />;
}

function Panel({ wide, searchField }: PanelProps) {
  const findings = useDraftPart((draft) => draft.findings);
  const telling = useLive().answer?.telling ?? NO_FINDINGS;
  const { answer, tap } = useBenchActions();
  const [sense, setSense] = useState<Tab>('telling');
  // What tells most changes with every tap; the pictures stay put until "Look for" is chosen again.
  const [held, setHeld] = useState<readonly StatedId[] | null>(null);
  const first = held ?? telling;
  const [typed, setTyped] = useState('');
  const [searching, setSearching] = useState(false);
  const ink = useInk();
  const toggleSearch = (): void => {
    setSearching(!searching);
    setTyped('');
  };
  const sought = useDeferredValue(typed.trim());
  const found = useFound(sought);
  const shown = useMemo<readonly Finding[]>(() => {
    if (sought !== '') return found;
    if (sense !== 'telling') return FINDINGS.filter((entry) => entry.sense === sense);
    return first.flatMap((id) => byId.get(id) ?? []);
  }, [first, found, sense, sought]);
  // What was looked for and is not there is marked apart: it is the opposite evidence, and no slip of a glove.
  const [marking, setMarking] = useState<Marks>('present');
  const mark = (id: StatedId, state: FindingState): void => {
    setHeld(first);
    if (marking === 'present') tap(id);
    else answer(id, state === 'absent' ? 'unknown' : 'absent');
  };
  const tabs = TABS.map((tab) => (
    <Toggle
      key={tab.sense}
      role="tab"
      narrow={wide}
      label={tab.label}
      on={sought === '' && tab.sense === sense}
      onPress={() => {
        setSense(tab.sense);
        setMarking('present');
        setHeld(null);
        setTyped('');
      }}
    />
  ));
  return (
    <View role="region" aria-label="What the bead shows" className="gap-2 px-4">
      <Heading level={2}>What does it show?</Heading>
      <Row className="gap-2">
        {!wide && (
          <Pressable
            role="button"
            aria-label="Find by a word"
            aria-expanded={searching}
            onPress={toggleSearch}
            className="h-14 w-14 items-center justify-center rounded-md border-2 border-edge bg-plate"
          >
            <Search size={24} color={ink} />
          </Pressable>
        )}
        {wide ? (
          <Row role="tablist" className="flex-1 flex-wrap gap-2">
            {tabs}
          </Row>
        ) : (
          <ScrollView
            horizontal
            showsHorizontalScrollIndicator={false}
            contentContainerClassName="gap-2"
            role="tablist"
          >
            {tabs}
          </ScrollView>
        )}
      </Row>
      {(wide || searching) && (
        <TextInput
          ref={searchField}
          aria-label="Word to find"
          placeholder="Or type it: holes, stubbing, crackle"
          value={typed}
          onChangeText={setTyped}
          inputMode="search"
          autoFocus={!wide}
          className="min-h-14 rounded-md border-2 border-edge bg-plate px-3 font-plain text-lg text-ink"
        />
      )}
      {sought === '' && sense === 'hear' && <Listen />}
      {shown.length === 0 && (
        <Words role="status">
          {sought === ''
            ? 'Finding what would tell the most…'
            : 'Nothing is called that. Try another word, or look by sense.'}
        </Words>
      )}
      <Row className="flex-wrap gap-2">
        {shown.map((entry) => (
          <FindingTile
            key={entry.id}
            finding={entry}
            state={findings[entry.id] ?? 'unknown'}
            marking={marking}
            onMark={mark}
            wide={wide}
          />
        ))}
      </Row>
      {shown.length > 0 && <Choice label="A tap marks as" options={MARKS} chosen={marking} onChoose={setMarking} />}
    </View>
  );
}

/** Shows what a recording of the arc says, beside the ear. */
function Listen() {
  const heard = useDraftPart((draft) => draft.heard !== undefined);
  const [open, setOpen] = useState(heard);
  return (
    <>
      <Button
        label={open ? 'Close the recording' : 'Let it listen: a recording of the arc'}
        onPress={() => setOpen(!open)}
      />
      {open && (
        <Suspense fallback={<View style={{ height: 200 }} className="rounded-md bg-plate" />}>
          <ListenHere />
        </Suspense>
      )}
    </>
  );
}

const STATE_WORDS: Record<FindingState, string> = { present: 'seen', absent: 'not there', unknown: 'not looked' };

/** What a tap on a picture says. */
type Marks = 'present' | 'absent';
const MARKS = [
  { value: 'present', label: 'Seen' },
  { value: 'absent', label: 'Not there' },
] as const;

type TileProps = {
  finding: Finding;
  state: FindingState;
  marking: Marks;
  onMark: (id: StatedId, state: FindingState) => void;
  wide: boolean;
};

/** One finding: its picture, its name, and whether it was seen. A tap marks it, another takes that off; a bounce does neither. */
const FindingTile = memo(function FindingTile({ finding: entry, state, marking, onMark, wide }: TileProps) {
  const glove = useGlove();
  const frame =
    state === 'present'
      ? 'border-ink bg-ink'
      : `${state === 'absent' || marking === 'absent' ? 'border-dashed' : ''} ${state === 'absent' ? 'border-ink' : 'border-edge'} bg-plate`;
  return (
    <Pressable
      role="button"
      aria-label={`${entry.name}: ${STATE_WORDS[state]}`}
      aria-pressed={state === 'present' ? true : state === 'absent' ? 'mixed' : false}
      onPress={glove(() => onMark(entry.id, state))}
      style={{ flexBasis: wide ? '22%' : '30%', flexGrow: 1, maxWidth: wide ? '25%' : '33%' }}
      className={`overflow-hidden rounded-md border-4 ${frame}`}
    >
      <View className={state === 'absent' ? 'opacity-40' : ''}>
        {entry.drawing && <FindingDrawing drawing={entry.drawing} height={wide ? 72 : 60} />}
      </View>
      <View className="min-h-12 justify-center px-1 py-1">
        <Words
          strong={state === 'present'}
          className={`text-center text-sm leading-tight ${state === 'present' ? 'text-ground' : 'text-ink'} ${state === 'absent' ? 'line-through' : ''}`}
        >
          {entry.name}
        </Words>
        {state !== 'unknown' && (
          <Words
            strong
            className={`text-center text-sm leading-tight ${state === 'present' ? 'text-ground' : 'text-ink'}`}
          >
            {state === 'present' ? '✓ seen' : '✕ not there'}
          </Words>
        )}
      </View>
    </Pressable>
  );
});
