import { useLocalSearchParams } from 'expo-router';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { BEAT_MM, beatBar, beatS, BEATS_A_BAR, PACES } from '@/core/school/beat';
import { figureWithUnit } from '@/core/setting/words';
import { SAMPLE_RATE } from '@/core/sound/sample-rate';
import { platform } from '@/platform/ports';
import type { Speaker } from '@/platform/speaker';
import { Button, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useKeys } from '@/ui/use-keys';
import { Figure, Heading, Words } from '@/ui/Words';
import { useUnits } from '../shared/use-habits';
import { BackToSchool } from './DrillHead';
import { PART_WORDS } from './drills';
import { clamp } from '@/core/quantity/clamp';

/** A second tap within this belongs to the first, ms. */
const TWICE_MS = 600;
const STEPS = [-50, -10, 10, 50] as const;
/** A buzz for each beat, ms. */
const BUZZ_MS = 40;

const within = (pace: number): number => clamp(pace, PACES.least, PACES.most);

/** The pace that was asked for in the address, as the bench computed it; the usual one where none was. */
function paceAsked(asked: string | undefined): number {
  const pace = Number(asked);
  return asked !== undefined && Number.isFinite(pace) ? within(Math.round(pace)) : PACES.usual;
}

/** A steady beat for the travel speed: heard, felt and seen, a beat for each centimetre of weld. */
export default function Pace() {
  const { pace: asked } = useLocalSearchParams<{ pace?: string }>();
  const units = useUnits();
  const [pace, setPace] = useState(() => paceAsked(asked));
  const [running, setRunning] = useState<{ since: number } | null>(null);
  const [silent, setSilent] = useState(false);
  const [beat, setBeat] = useState(0);
  const [mute, setMute] = useState(false);
  const speaker = useRef<Speaker | null>(null);
  const stop = useCallback(() => {
    speaker.current?.close();
    speaker.current = null;
    setRunning(null);
    setBeat(0);
  }, []);
  // Nothing beats on after its place is left.
  useEffect(() => () => speaker.current?.close(), []);
  useEffect(() => {
    if (running === null) return;
    let count = 0;
    const everyMs = 1000 * beatS(pace);
    // Each beat is held against the beginning, so that a late timer is not made good by all that follow.
    let callOff: () => void;
    const tick = (): void => {
      setBeat(count % BEATS_A_BAR);
      platform().buzz(BUZZ_MS);
      count += 1;
      callOff = platform().after(running.since + count * everyMs - platform().now().getTime(), tick);
    };
    tick();
    return () => callOff();
  }, [running, pace]);
  const start = useCallback(() => {
    if (!silent) {
      const opened = platform().openSpeaker(SAMPLE_RATE);
      setMute(opened === null);
      speaker.current = opened;
      const bar = beatBar(pace);
      // The next bar is there before the last ends.
      const more = (): void => {
        if (speaker.current !== opened || opened === null) return;
        opened.whenHeard(more);
        opened.add(bar);
      };
      opened?.add(bar);
      more();
    }
    setRunning({ since: platform().now().getTime() });
  }, [pace, silent]);
  const toggle = useCallback(() => {
    if (running === null) start();
    else if (platform().now().getTime() - running.since >= TWICE_MS) stop();
  }, [running, start, stop]);
  useKeys(useMemo(() => ({ ' ': toggle }), [toggle]));
  const turned = (next: number): void => {
    stop();
    setPace(within(next));
  };
  return (
    <View role="region" aria-label={PART_WORDS.pace.title} className="gap-4 p-4">
      <View className="gap-1">
        <BackToSchool />
        <Heading level={1} className="text-2xl">
          {PART_WORDS.pace.title}
        </Heading>
      </View>
      <Words>
        Along a chalk line first, the arc out. One beat for each centimetre, a higher one for every ten: the gun is at
        the next mark when it sounds.
      </Words>
      <Figure className="text-center">{figureWithUnit('travelSpeedMmPerMin', pace, units)}</Figure>
      <Words className="text-center">{`${BEAT_MM * BEATS_A_BAR} mm in ${Math.round(BEATS_A_BAR * beatS(pace))} s, a beat every ${beatS(pace).toFixed(1)} s`}</Words>
      <Row className="gap-2">
        {STEPS.map((step) => (
          <Button
            key={step}
            label={`${step > 0 ? '+' : '−'}${Math.abs(step)}`}
            aria-label={`${Math.abs(step)} mm/min ${step > 0 ? 'faster' : 'slower'}`}
            className="flex-1 px-1"
            onPress={() => turned(pace + step)}
          />
        ))}
      </Row>
      <Marks at={running === null ? null : beat} />
      <Button tone="act" label={running === null ? 'Start the beat' : 'Stop'} onPress={toggle} />
      <Toggle label="Seen and felt alone, without a sound" on={silent} onPress={() => (stop(), setSilent(!silent))} />
      {mute && <Words role="alert">This browser has no sound: the marks go on.</Words>}
    </View>
  );
}

/** Ten marks, a centimetre each; the one where the gun should be is inked. */
function Marks({ at }: { at: number | null }) {
  return (
    <Row role="img" aria-label={at === null ? 'Ten marks' : `Mark ${at + 1} of ${BEATS_A_BAR}`} className="gap-1">
      {Array.from({ length: BEATS_A_BAR }, (_, i) => (
        <View
          key={i}
          className={`h-14 flex-1 rounded-sm border-2 border-edge ${at !== null && i <= at ? 'bg-ink' : 'bg-plate'}`}
        />
      ))}
    </Row>
  );
}
