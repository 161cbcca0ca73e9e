import { useMemo } from 'react';
import { View } from 'react-native';
import type { Answer } from '@/core/answer';
import type { Case } from '@/core/case/schema';
import type { Settings } from '@/core/setting/table';
import type { Sounded } from '@/core/sound/sounding';
import { Button } from '@/ui/Press';
import { ArcTrace } from '@/ui/sound/ArcTrace';
import { Heading, Words } from '@/ui/Words';
import { figureWithUnit } from '@/core/setting/words';
import { useUnits } from '../../shared/use-habits';
import { usePlayer, type Play } from '../../shared/use-player';
import { useSounded } from '../../shared/use-sounded';
import { useDraftPart, useLive } from '../state/bench';

/** The arc of today's settings and that of the proposed ones, drawn, told in words, and heard when asked. */
export default function HearIt({ answer }: { answer: Answer }) {
  const { judged } = useLive();
  const today = useDraftPart((draft) => draft.settings);
  const proposed = { ...today, ...answer.correction.settings };
  const { playing, mute, toggle } = usePlayer();
  // Before the first bead nothing is set yet.
  const isSet = today.voltageV !== undefined && today.wireSpeedMPerMin !== undefined;
  const differs = JSON.stringify(heardIn(today)) !== JSON.stringify(heardIn(proposed));
  const control = (which: string) => ({
    playing: playing === which,
    onToggle: (play: Play): void => toggle(which, play),
  });
  if (judged === null) return null;
  return (
    <View role="region" aria-label="How it sounds" className="gap-3 rounded-md bg-plate p-3">
      <Heading level={3}>How it sounds</Heading>
      {differs && isSet && <OneArc title="As it is set" input={judged} settings={today} {...control('today')} />}
      <OneArc
        title={differs || !isSet ? 'As proposed' : 'As it is set'}
        input={judged}
        settings={proposed}
        {...control('proposed')}
      />
      {mute && <Words role="alert">Nothing here can play it: this browser has no sound.</Words>}
      <Words className="text-sm text-faint">
        Computed from the figures, not recorded. Your own arc sounds of its plate, its room and its wear as well.
      </Words>
    </View>
  );
}

/** The settings that are heard. */
const heardIn = ({ voltageV, wireSpeedMPerMin, stickOutMm, arcControlPct }: Settings): Settings => ({
  voltageV,
  wireSpeedMPerMin,
  stickOutMm,
  arcControlPct,
});

type OneProps = {
  title: string;
  input: Case;
  settings: Settings;
  playing: boolean;
  onToggle: (play: Play) => void;
};

function OneArc({ title, input, settings, playing, onToggle }: OneProps) {
  const units = useUnits();
  const { settings: _, findings: __, readings: ___, ...rest } = input;
  // The same sound as long as nothing that is heard is otherwise: what was tapped of the bead is not.
  const key = JSON.stringify({ input: rest, settings: heardIn(settings) });
  const asked = useMemo(() => JSON.parse(key) as { input: Case; settings: Settings }, [key]);
  const { sounded, state, play } = useSounded(asked);
  const figures = (['voltageV', 'wireSpeedMPerMin'] as const).flatMap((name) => {
    const value = settings[name];
    return value === undefined ? [] : [figureWithUnit(name, value, units)];
  });
  return (
    <View role="group" aria-label={`${title}, by ear`} className="gap-2">
      <Words>
        <Words strong>{title}</Words>
        {figures.length === 0 ? '' : `: ${figures.join(' · ')}`}
      </Words>
      {state === 'none' ? (
        <Words>{NOT_HEARD}</Words>
      ) : state === 'failed' ? (
        <Words>The sound could not be worked out.</Words>
      ) : (
        <>
          {sounded !== null && <SoundReport sounded={sounded} />}
          <Button
            label={playing ? 'Stop' : 'Play'}
            aria-label={playing ? `Stop ${title.toLowerCase()}` : `Play ${title.toLowerCase()}`}
            onPress={() => onToggle(play)}
          />
        </>
      )}
    </View>
  );
}

const NOT_HEARD =
  'Not to be heard: that takes a wire, volts and wire speed, and an arc without pulse, within what a machine is set to.';

/** Shows what is heard, in words and drawn. */
function SoundReport({ sounded: { caption, figures, trace } }: { sounded: Sounded }) {
  const { peakA, shorted } = figures;
  const peaks = peakA === null ? '' : `, peaks up to ${10 * Math.round(Math.max(...trace.currentA) / 10)} A`;
  return (
    <View className="gap-1">
      <Words aria-live="polite">
        <Words strong>{`${caption.title}. `}</Words>
        {caption.text}
      </Words>
      <ArcTrace trace={trace} width={320} label={`Current over a quarter of a second${peaks}. ${caption.title}.`} />
      {peakA !== null && (
        <Words className="text-sm text-faint">{`Shorted ${Math.round(100 * shorted)} % of the time${peaks}.`}</Words>
      )}
    </View>
  );
}
