import { Suspense } from 'react';
import { View } from 'react-native';
import type { Note } from '@/core/diagnosis/notes';
import type { SettingName } from '@/core/setting/table';
import { StateNote } from '@/ui/State';
import { Heading, Words } from '@/ui/Words';
import { useBenchRecords, useDraftPart, useLive } from '../state/bench';
import { CautionNotes } from '../../shared/CautionNotes';
import { CauseList } from './CauseList';
import { Comparison } from '../chart/Comparison';
import { FirstLooks } from './FirstLooks';
import { headline } from './headline';
import { lookFirst } from './look-first';
import { Moves } from './Moves';
import { NextChecks } from './NextChecks';
import { VerdictTitle } from './VerdictPeek';

type VerdictProps = { onOpenKnob: (setting: SettingName) => void; beside?: boolean };

/**
 * The whole verdict, in the order it is needed: stop conditions, what to do, why, what to check, cautions.
 * @param beside true where the drawings and the model's figures stand in a column of their own
 */
export function Verdict({ onOpenKnob, beside = false }: VerdictProps) {
  const { answer, problem } = useLive();
  const findings = useDraftPart((draft) => draft.findings);
  const isFirst = useBenchRecords().lastBead === null;
  if (problem !== null)
    return <StateNote title="No verdict" text={`${problem}. Change that figure, or set it to not known.`} />;
  if (answer === null) return <Words className="p-4 text-faint">Working it out…</Words>;
  // Nothing of a bead can be asked before there is one.
  const looks = isFirst ? answer.firstLooks : [];
  const first = lookFirst(answer)?.check ?? null;
  return (
    // All of it at once: a part that came later would push the rest from under the finger.
    <Suspense fallback={<Words className="p-4 text-faint">Working it out…</Words>}>
      <View className="gap-6 p-4">
        <CautionNotes cautions={answer.cautions.filter(({ stop }) => stop)} />
        {beside && <VerdictTitle {...headline(answer, findings)} />}
        <NoteList notes={answer.notes} />
        <Moves answer={answer} />
        <View className="gap-2">
          <Heading level={2}>Likely causes</Heading>
          <CauseList answer={answer} findings={findings} />
        </View>
        {looks.length > 0 && <FirstLooks looks={looks} />}
        <NextChecks
          checks={looks.length > 0 ? [] : answer.nextChecks.filter(({ check }) => check !== first)}
          askFor={answer.askFor}
          onOpenKnob={onOpenKnob}
        />
        {!beside && <Comparison />}
        <View className="gap-2">
          <Heading level={2}>Safety</Heading>
          <CautionNotes cautions={answer.cautions.filter(({ stop }) => !stop)} />
        </View>
      </View>
    </Suspense>
  );
}

/** Shows what does not add up, said before anything is made of it. */
function NoteList({ notes }: { notes: readonly Note[] }) {
  if (notes.length === 0) return null;
  return (
    <View role="status" className="gap-2">
      {notes.map(({ text }) => (
        <Words key={text} strong className="border-l-4 border-ink pl-3">
          {text}
        </Words>
      ))}
    </View>
  );
}
