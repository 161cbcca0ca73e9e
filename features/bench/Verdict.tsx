import { View } from 'react-native';
import type { Answer } from '@/core/answer';
import type { SettingName } from '@/core/case/schema';
import type { Note } from '@/core/diagnosis/notes';
import { CautionNotes } from './CautionNotes';
import { BeforeAfter } from './BeforeAfter';
import { CauseList } from './CauseList';
import { headline } from './headline';
import { Moves } from './Moves';
import { NextChecks } from './NextChecks';
import { StateNote } from '@/ui/State';
import { Heading, Words } from '@/ui/Words';
import type { Bench } from './use-bench';
import { VerdictTitle } from './VerdictPeek';

type VerdictProps = { bench: Bench; onOpenKnob: (setting: SettingName) => void; beside?: boolean };

/**
 * The whole verdict, in the order it is needed: stop conditions, what to do, why, what to check, cautions.
 * @param beside true where the drawings and the model's figures stand in a column of their own
 */
export function Verdict({ bench, onOpenKnob, beside = false }: VerdictProps) {
  const { answer, problem } = bench.live;
  if (problem !== null)
    return <StateNote title="No verdict" text={`${problem}. Change that figure, or set it to not known.`} />;
  if (answer === null) return <Words className="p-4 text-faint">Working it out…</Words>;
  return (
    <View className="gap-6 p-4">
      <CautionNotes cautions={answer.cautions.filter(({ stop }) => stop)} />
      {beside && <VerdictTitle {...headline(answer, bench.draft.findings)} />}
      <NoteList notes={answer.notes} />
      <Moves bench={bench} answer={answer} />
      <View className="gap-2">
        <Heading level={2}>Likely causes</Heading>
        <CauseList answer={answer} findings={bench.draft.findings} />
      </View>
      <NextChecks
        checks={answer.nextChecks}
        askFor={answer.askFor}
        onAnswer={bench.act.answer}
        onOpenKnob={onOpenKnob}
      />
      {!beside && <Comparison bench={bench} />}
      <View className="gap-2">
        <Heading level={2}>Always</Heading>
        <CautionNotes cautions={answer.cautions.filter(({ stop }) => !stop)} />
      </View>
    </View>
  );
}

/** What does not add up, said before anything is made of it. */
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

/** This bead beside the next, and what the arc model makes of the settings. */
export function Comparison({ bench }: { bench: Bench }) {
  const { answer } = bench.live;
  if (answer === null) return null;
  return (
    <View className="gap-6">
      <BeforeAfter bench={bench} answer={answer} />
      <ModelFigures answer={answer} />
    </View>
  );
}

const TRANSFER_WORDS: Record<string, string> = {
  'short-circuit': 'short circuit',
  globular: 'globular',
  spray: 'spray',
  pulse: 'pulse',
  tubular: 'tubular wire',
  unstable: 'no steady arc in this gas',
};

/** What the arc model makes of the settings, for those who want to see the numbers behind it. */
function ModelFigures({ answer }: { answer: Answer }) {
  const { arc } = answer;
  if (arc.currentA === null || arc.balancedVoltageV === null) return null;
  const lines = [
    `${Math.round(arc.currentA)} A at this wire speed and stick-out`,
    `balance ${arc.balancedVoltageV.toFixed(1)} V, ${arc.transfer === null ? '' : TRANSFER_WORDS[arc.transfer]}`,
    ...(arc.heatRatio === null || arc.currentWantedA === null
      ? []
      : [`the plate wants about ${Math.round(arc.currentWantedA)} A: heat ${Math.round(arc.heatRatio * 100)} %`]),
    ...(arc.legMm === null ? [] : [`leg about ${arc.legMm.toFixed(1)} mm at this travel`]),
  ];
  return (
    <View className="gap-1">
      <Heading level={2}>By the arc model</Heading>
      {lines.map((line) => (
        <Words key={line}>{line}</Words>
      ))}
    </View>
  );
}
