import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { stream } from '@/core/chance/stream';
import {
  EAR_ITEMS,
  EAR_WORDS,
  earQuestion,
  NEAR_V,
  TURNED_RIGHT,
  type EarItem,
  type EarQuestion,
} from '@/core/school/by-ear';
import { nextItem } from '@/core/school/next-item';
import type { Answered } from '@/core/school/practice-schema';
import { platform } from '@/platform/ports';
import { Button, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { ArcTrace } from '@/ui/sound/ArcTrace';
import { useKeys, type Keys } from '@/ui/use-keys';
import { Figure, Heading, Words } from '@/ui/Words';
import { usePlayer, type Play } from '../shared/use-player';
import { useSounded, type SoundSource } from '../shared/use-sounded';
import { Columns } from './Columns';
import { DrillHead } from './DrillHead';
import { Next } from './Next';
import { Options } from './Options';
import { newSeed, useDrill } from './use-practice';
import { clamp } from '@/core/quantity/clamp';

const OPTIONS = EAR_ITEMS.map((id) => ({ id, name: EAR_WORDS[id].name }));

function questionFor(answers: readonly Answered[], level: number): EarQuestion {
  const random = stream(newSeed());
  return earQuestion(nextItem(EAR_ITEMS, answers, platform().now(), random), level, random);
}

/** An arc that burns: what is wrong is named by its sound alone, and the volts are turned until it is right. */
export default function ByEar() {
  const { answers, level, keep } = useDrill('by-ear');
  const [asked, setAsked] = useState(() => ({ question: questionFor(answers, level), level }));
  const [said, setSaid] = useState<string | null>(null);
  const { question } = asked;
  const player = usePlayer();
  const source = useMemo<SoundSource>(() => ({ run: question.run, noise: question.noise }), [question]);
  const say = useCallback(
    (id: string) => {
      keep(question.item, id, asked.level);
      setSaid(id);
    },
    [keep, question, asked.level],
  );
  const next = useCallback(() => {
    player.hush();
    setAsked({ question: questionFor(answers, level), level });
    setSaid(null);
  }, [answers, level, player]);
  const { run, noise } = question;
  return (
    <View role="region" aria-label="By ear" className="gap-4 p-4">
      <DrillHead part="by-ear" level={level} answers={answers} />
      <Columns
        left={
          <>
            <Words>
              {`${run.wire.diameterMm} mm wire at ${run.wireSpeedMPerMin.toFixed(1)} m/min in 18 % CO2.${noise === null ? '' : ` Beside it: ${NOISE_WORDS[noise.kind]}.`}`}
            </Words>
            <Sound
              key={run.seed}
              source={source}
              which="question"
              player={player}
              told={said !== null}
              title="Play the arc"
              keyed
            />
          </>
        }
        right={
          <>
            <Words strong>What is it?</Words>
            <Options label="What is it?" options={OPTIONS} said={said} right={question.item} onSay={say} />
            {said !== null && <AnswerReport item={question.item} said={said as EarItem} />}
            {said !== null && TURNED_RIGHT.includes(question.item) && (
              <TurnIt key={`turn ${run.seed}`} question={question} player={player} />
            )}
            {said !== null && <Next onNext={next} label="Next arc" />}
          </>
        }
      />
    </View>
  );
}

/** Shows what it was and what it sounds like; beside it what was said for it. */
function AnswerReport({ item, said }: { item: EarItem; said: EarItem }) {
  const [is, would] = [EAR_WORDS[item], EAR_WORDS[said]];
  return (
    <View role="status" className="gap-2">
      <Words>
        <Words strong>{said === item ? 'Right. ' : `It is: ${is.name}. `}</Words>
        {is.sounds}
      </Words>
      {said !== item && <Words>{`${would.name} would be: ${would.sounds}`}</Words>}
    </View>
  );
}

const NOISE_WORDS = {
  rumble: 'fans and a compressor',
  grinder: 'a grinder',
  talk: 'somebody talks',
  hammering: 'somebody hammers',
} as const;

type Player = ReturnType<typeof usePlayer>;
type SoundProps = {
  source: SoundSource;
  which: string;
  player: Player;
  /** Whether the caption may say what it is. */
  told: boolean;
  title: string;
  /** Whether the space bar plays it. */
  keyed?: boolean;
};

/** An arc to be heard, and to be seen for whoever cannot hear it. */
export function Sound({ source, which, player, told, title, keyed = false }: SoundProps) {
  const { sounded, state, play } = useSounded(source);
  const [drawn, setDrawn] = useState(false);
  const isPlaying = player.playing === which;
  const { toggle } = player;
  const act = useCallback(() => toggle(which, play as Play), [toggle, which, play]);
  useKeys(useMemo((): Keys => (keyed ? { ' ': act } : NO_KEYS), [keyed, act]));
  if (state === 'failed') return <Words role="alert">The sound could not be worked out.</Words>;
  return (
    <View className="gap-2">
      <Row className="flex-wrap gap-2">
        <Button tone="act" label={isPlaying ? 'Stop' : title} onPress={act} className="flex-1" />
        <Toggle label="Show it drawn" on={drawn} onPress={() => setDrawn(!drawn)} />
      </Row>
      {player.mute && <Words role="alert">This browser has no sound: let it be drawn.</Words>}
      {(drawn || told) && sounded !== null && (
        <ArcTrace
          trace={sounded.trace}
          width={320}
          label={`Current over a quarter of a second${told ? `. ${sounded.caption.title}` : ''}`}
        />
      )}
      {told && sounded !== null && (
        <Words aria-live="polite">
          <Words strong>{`${sounded.caption.title}. `}</Words>
          {sounded.caption.text}
        </Words>
      )}
    </View>
  );
}

const NO_KEYS: Keys = {};
const STEPS = [-1, -0.5, 0.5, 1] as const;

/** The volts, turned until it sounds right. */
function TurnIt({ question, player }: { question: EarQuestion; player: Player }) {
  const { run, balancedV } = question;
  const [volts, setVolts] = useState(Math.round(2 * run.voltageV) / 2);
  const [turns, setTurns] = useState(0);
  const [done, setDone] = useState<'right' | 'low' | 'high' | null>(null);
  const source = useMemo<SoundSource>(() => ({ run: { ...run, voltageV: volts }, noise: null }), [run, volts]);
  const off = volts - balancedV;
  return (
    <View role="region" aria-label="Turn it right" className="gap-3 rounded-md bg-plate p-3">
      <Heading level={2}>Now turn it right</Heading>
      <Figure className="text-center">{`${volts.toFixed(1)} V`}</Figure>
      <Row className="gap-2">
        {STEPS.map((step) => (
          <Button
            key={step}
            label={`${step > 0 ? '+' : '−'}${Math.abs(step)}`}
            aria-label={`${Math.abs(step)} V ${step > 0 ? 'up' : 'down'}`}
            className="flex-1 px-1"
            onPress={() => {
              player.hush();
              setVolts(clamp(volts + step, 10, 35));
              setTurns(turns + 1);
              setDone(null);
            }}
          />
        ))}
      </Row>
      <Sound source={source} which="turned" player={player} told={done === 'right'} title="Play it so" />
      <Button
        label="It is right now"
        onPress={() => setDone(Math.abs(off) <= NEAR_V ? 'right' : off < 0 ? 'low' : 'high')}
      />
      {done !== null && (
        <Words role="status" strong>
          {done === 'right'
            ? `Right, after ${turns} ${turns === 1 ? 'turn' : 'turns'}: balance is ${balancedV.toFixed(1)} V here.`
            : `Not yet: still ${done === 'low' ? 'under' : 'over'} balance. Listen again.`}
        </Words>
      )}
    </View>
  );
}
