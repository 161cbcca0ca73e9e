import { useState } from 'react';
import { View } from 'react-native';
import type { NamedLook } from '@/core/answer';
import type { FindingState } from '@/core/case/schema';
import { inWalkOrder } from '@/core/record/draft/rig-walk';
import { Toggle } from '@/ui/Press';
import { Heading, Words } from '@/ui/Words';
import { CheckAnswers } from '../../shared/CheckAnswers';
import { useTextIn } from '../../shared/use-habits';
import { useBenchActions, useBenchRecords, useDraftPart } from '../state/bench';
import { useFineToday } from '../state/walk-today';

/** Before the first bead: the walk from cylinder to clamp, with gloves on; what was found fine is good for the day. */
export function FirstLooks({ looks }: { looks: readonly NamedLook[] }) {
  const findings = useDraftPart((draft) => draft.findings);
  const [again, setAgain] = useState(false);
  const fine = useFineToday(useBenchRecords().coupon.rig);
  const stateOf = ({ check }: NamedLook): FindingState =>
    findings[check] ?? (fine.includes(check) ? 'absent' : 'unknown');
  const left = looks.filter((look) => stateOf(look) === 'unknown');
  const wrong = looks.filter((look) => stateOf(look) === 'present');
  const minutes = Math.ceil(left.reduce((sum, look) => sum + look.minutes, 0));
  const done = left.length === 0 && wrong.length === 0;
  const ordered = inWalkOrder(looks);
  // What is settled gives way to what is not; all of it can be looked through again.
  const shown = again ? ordered : ordered.filter((look) => stateOf(look) !== 'absent');
  return (
    <View role="region" aria-label="Before the first bead" className="gap-2">
      <Heading level={2}>Before the first bead</Heading>
      <Words className={done ? '' : 'text-faint'} strong={done}>
        {done
          ? `Walked: all ${looks.length} looks fine. Good for today.`
          : left.length === 0
            ? 'All looked at. Put right what was not, then look once more.'
            : `From cylinder to clamp. No knob puts these right. ${left.length} looks, some ${minutes} min.`}
      </Words>
      {shown.map((look) => (
        <Look key={look.check} look={look} state={stateOf(look)} />
      ))}
      {shown.length < looks.length || again ? (
        <Toggle
          label={`Those found fine, ${looks.length - left.length - wrong.length}`}
          on={again}
          onPress={() => setAgain(!again)}
        />
      ) : null}
    </View>
  );
}

function Look({ look, state }: { look: NamedLook; state: FindingState }) {
  const { answer } = useBenchActions();
  const textIn = useTextIn();
  const { check, name, plain, caution, answers } = look;
  return (
    <View className="gap-2 rounded-md bg-plate p-3">
      <Words strong className="text-lg">
        {name}
      </Words>
      {state !== 'absent' && <Words>{textIn(plain)}</Words>}
      {state !== 'absent' && caution !== null && <Words strong>{textIn(`Mind: ${caution}`)}</Words>}
      <CheckAnswers name={name} answers={answers} state={state} onAnswer={(said) => answer(check, said)} />
    </View>
  );
}
