import { View } from 'react-native';
import type { NamedCheck, NamedWouldBe } from '@/core/answer';
import type { NextFigure } from '@/core/diagnosis/next-figure';
import { SETTINGS, type SettingName } from '@/core/setting/table';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Heading, Words } from '@/ui/Words';
import { useTextIn } from '../shared/use-habits';
import { useBenchActions } from './bench';

type ChecksProps = {
  checks: readonly NamedCheck[];
  /** The unknown setting whose figure would tell the most. */
  askFor: NextFigure | null;
  onOpenKnob: (setting: SettingName) => void;
};

const MOST_SHOWN = 4;

/** What would tell the most for the least time; one tap answers it. */
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

function CheckCard({ check }: { check: NamedCheck }) {
  const { answer } = useBenchActions();
  const textIn = useTextIn();
  const { check: id, kind, name, plain, minutes, shows, mistakenFor, caution, ifPresent, ifAbsent } = check;
  const [yes, no] = kind === 'check' ? ['Yes', 'No'] : ['Seen', 'Not there'];
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
      {shows !== null && <Words>{textIn(`Yes means: ${shows}.`)}</Words>}
      {caution !== null && <Words strong>{textIn(`Mind: ${caution}`)}</Words>}
      <Words className="text-faint">{wouldChange(yes, ifPresent, no, ifAbsent)}</Words>
      <Row className="gap-2">
        <Button
          className="flex-1"
          label={yes}
          aria-label={`${name}: ${yes.toLowerCase()}`}
          onPress={() => answer(id, 'present')}
        />
        <Button
          className="flex-1"
          label={no}
          aria-label={`${name}: ${no.toLowerCase()}`}
          onPress={() => answer(id, 'absent')}
        />
      </Row>
    </View>
  );
}

/** "Yes: nozzle or diffuser blocked, 92 %. No: dirty plate, 30 %." */
function wouldChange(yes: string, present: NamedWouldBe | null, no: string, absent: NamedWouldBe | null): string {
  const after = (answer: string, then: NamedWouldBe | null): string =>
    then === null ? '' : `${answer}: ${then.name.toLowerCase()}, ${Math.round(100 * then.probability)} %.`;
  return `${after(yes, present)} ${after(no, absent)}`.trim();
}
