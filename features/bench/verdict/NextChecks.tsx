import { View } from 'react-native';
import type { NamedAnswer, NamedCheck } from '@/core/answer';
import type { NextFigure } from '@/core/diagnosis/next-figure';
import { SETTINGS, type SettingName } from '@/core/setting/table';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { likelihoodWords } from '@/ui/temper';
import { Heading, Words } from '@/ui/Words';
import { CheckAnswers } from '../../shared/CheckAnswers';
import { useTextIn } from '../../shared/use-habits';
import { useBenchActions } from '../state/bench';

type ChecksProps = {
  checks: readonly NamedCheck[];
  /** The unknown setting whose figure would tell the most. */
  askFor: NextFigure | null;
  onOpenKnob: (setting: SettingName) => void;
};

const MOST_SHOWN = 4;

/** Shows what would tell the most for the least time; one tap answers it. */
export function NextChecks({ checks, askFor, onOpenKnob }: ChecksProps) {
  if (checks.length === 0 && askFor === null) return null;
  return (
    <View role="region" aria-label="Check next" className="gap-2">
      <Heading level={2}>Check next</Heading>
      {askFor !== null && (
        <Row className="items-center gap-2 rounded-md bg-plate p-3">
          <Words className="flex-1">{`The figure that would tell the most: ${SETTINGS[askFor.setting].name.toLowerCase()}.`}</Words>
          <Button label="Enter it" onPress={() => onOpenKnob(askFor.setting)} />
        </Row>
      )}
      {checks.slice(0, MOST_SHOWN).map((check) => (
        <CheckCard key={check.check} check={check} />
      ))}
    </View>
  );
}

/** One look: how it is done, and what can be seen, to be answered with one tap. */
export function CheckCard({ check }: { check: NamedCheck }) {
  const { answer } = useBenchActions();
  const textIn = useTextIn();
  const { check: id, name, plain, minutes, mistakenFor, caution, answers } = check;
  return (
    <View className="gap-2 rounded-md bg-plate p-3">
      <Row className="items-baseline justify-between gap-2">
        <Words strong className="flex-1 text-lg">
          {name}
        </Words>
        <Words className="text-sm">{minutes < 1 ? 'under a minute' : `${Math.round(minutes)} min`}</Words>
      </Row>
      <Words>{textIn(plain)}</Words>
      {mistakenFor !== null && <Words className="text-faint">{textIn(`Not to be taken for ${mistakenFor}.`)}</Words>}
      {caution !== null && <Words strong>{textIn(`Mind: ${caution}`)}</Words>}
      <CheckAnswers name={name} answers={answers} state="unknown" onAnswer={(said) => answer(id, said)} />
      <Words className="text-faint">{answers.map(wouldChange).join(' ').trim()}</Words>
    </View>
  );
}

/** "Spatter in it, or holes shut: then nozzle or diffuser blocked, very likely." */
function wouldChange({ text, leadsTo }: NamedAnswer): string {
  if (leadsTo === null) return '';
  return `${text}: then ${leadsTo.name.toLowerCase()}, ${likelihoodWords(leadsTo.probability)}.`;
}
