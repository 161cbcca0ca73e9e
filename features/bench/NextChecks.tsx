import { View } from 'react-native';
import type { FindingState, SettingName } from '@/core/case/schema';
import type { NextCheck, WouldBe } from '@/core/diagnosis/next-check';
import type { NextFigure } from '@/core/diagnosis/next-figure';
import { cause, check, finding } from '@/core/knowledge';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Heading, Words } from '@/ui/Words';
import { SETTING_NAME } from './setting-words';

type ChecksProps = {
  checks: readonly NextCheck[];
  /** The unknown setting whose figure would tell the most. */
  askFor: NextFigure | null;
  onAnswer: (id: string, state: FindingState) => void;
  onOpenKnob: (setting: SettingName) => void;
};

/** What would tell the most for the least time; one tap answers it. */
export function NextChecks({ checks, askFor, onAnswer, onOpenKnob }: ChecksProps) {
  if (checks.length === 0 && askFor === null) return null;
  return (
    <View role="region" aria-label="Check next" className="gap-2">
      <Heading level={2}>Check next</Heading>
      {askFor !== null && (
        <Row className="items-center gap-2 rounded-md bg-plate p-3">
          <Words className="flex-1">{`The figure that would tell the most: ${SETTING_NAME[askFor.setting].toLowerCase()}.`}</Words>
          <Button label="Enter it" onPress={() => onOpenKnob(askFor.setting)} />
        </Row>
      )}
      {checks.slice(0, 4).map(({ check: id, kind, minutes, ifPresent, ifAbsent }) => {
        const entry = kind === 'check' ? check(id) : finding(id);
        const [yes, no] = kind === 'check' ? ['It shows', 'It is clear'] : ['Seen', 'Not there'];
        return (
          <View key={id} className="gap-2 rounded-md bg-plate p-3">
            <Row className="items-baseline justify-between gap-2">
              <Words strong className="flex-1 text-lg">
                {entry.name}
              </Words>
              <Words className="text-sm">{minutes < 1 ? 'under a minute' : `${Math.round(minutes)} min`}</Words>
            </Row>
            <Words>{entry.plain}</Words>
            {'mistakenFor' in entry && (
              <Words className="text-faint">{`Not to be taken for ${entry.mistakenFor}.`}</Words>
            )}
            {'shows' in entry && <Words className="text-faint">{`The fault shows as: ${entry.shows}.`}</Words>}
            {'caution' in entry && entry.caution && <Words strong>{`Mind: ${entry.caution}`}</Words>}
            <Words className="text-faint">{wouldChange(yes, ifPresent, no, ifAbsent)}</Words>
            <Row className="gap-2">
              <Button
                className="flex-1"
                label={yes}
                aria-label={`${entry.name}: ${yes.toLowerCase()}`}
                onPress={() => onAnswer(id, 'present')}
              />
              <Button
                className="flex-1"
                label={no}
                aria-label={`${entry.name}: ${no.toLowerCase()}`}
                onPress={() => onAnswer(id, 'absent')}
              />
            </Row>
          </View>
        );
      })}
    </View>
  );
}

/** "It shows: nozzle or diffuser blocked, 92 %. It is clear: dirty plate, 30 %." */
function wouldChange(yes: string, present: WouldBe | null, no: string, absent: WouldBe | null): string {
  const after = (answer: string, then: WouldBe | null): string =>
    then === null ? '' : `${answer}: ${cause(then.cause).name.toLowerCase()}, ${Math.round(100 * then.probability)} %.`;
  return `${after(yes, present)} ${after(no, absent)}`.trim();
}
