import { View } from 'react-native';
import type { NamedLook } from '@/core/answer';
import { Choice } from '@/ui/Press';
import { Heading, Words } from '@/ui/Words';
import { useTextIn } from '../shared/use-habits';
import { useBenchActions, useDraftPart } from './bench';

const STATES = [
  { value: 'absent', label: 'Fine' },
  { value: 'present', label: 'Not right' },
] as const;

/** Before the first bead: looks at rig and plate that cost less than a lost bead, ticked with gloves on. */
export function FirstLooks({ looks }: { looks: readonly NamedLook[] }) {
  const findings = useDraftPart((draft) => draft.findings);
  const left = looks.filter(({ check }) => (findings[check] ?? 'unknown') === 'unknown');
  const minutes = Math.ceil(left.reduce((sum, look) => sum + look.minutes, 0));
  return (
    <View role="region" aria-label="Before the first bead" className="gap-2">
      <Heading level={2}>Before the first bead</Heading>
      <Words className="text-faint">
        {left.length === 0
          ? 'All looked at. What was not right is put right first; then say it is fine.'
          : `No knob puts these right. ${left.length} looks, some ${minutes} min.`}
      </Words>
      {looks.map((look) => (
        <Look key={look.check} look={look} state={findings[look.check] ?? 'unknown'} />
      ))}
    </View>
  );
}

function Look({ look, state }: { look: NamedLook; state: 'present' | 'absent' | 'unknown' }) {
  const { answer } = useBenchActions();
  const textIn = useTextIn();
  const { check, name, plain, shows, caution } = look;
  return (
    <View className="gap-2 rounded-md bg-plate p-3">
      <Words strong className="text-lg">
        {name}
      </Words>
      {state !== 'absent' && <Words>{textIn(plain)}</Words>}
      {state === 'unknown' && <Words className="text-faint">{textIn(`Not right: ${shows}.`)}</Words>}
      {state !== 'absent' && caution !== null && <Words strong>{textIn(`Mind: ${caution}`)}</Words>}
      <Choice
        label={name}
        options={STATES}
        chosen={state === 'unknown' ? null : state}
        onChoose={(chosen) => answer(check, chosen === state ? 'unknown' : chosen)}
      />
    </View>
  );
}
