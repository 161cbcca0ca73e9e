import { useCallback, useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { stream } from '@/core/chance/stream';
import { KNOBS, knobQuestion, type KnobQuestion } from '@/core/school/one-knob';
import { figureWithUnit } from '@/core/setting/words';
import { SETTINGS } from '@/core/setting/table';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { Row } from '@/ui/Row';
import { useKeys } from '@/ui/use-keys';
import { Words } from '@/ui/Words';
import { useUnits } from '../shared/use-habits';
import { usePlayer } from '../shared/use-player';
import type { SoundSource } from '../shared/use-sounded';
import { Sound } from './ByEar';
import { Columns } from './Columns';
import { DrillHead } from './DrillHead';
import { Next } from './Next';
import { newSeed, useDrill } from './use-practice';

function questionFor(level: number): KnobQuestion {
  const random = stream(newSeed());
  return knobQuestion(KNOBS[Math.floor(random() * KNOBS.length)], level, random);
}

/** Five beads with one figure turned from low to high, drawn and heard: which is right? */
export default function OneKnob() {
  const { answers, level, keep } = useDrill('one-knob');
  const units = useUnits();
  const player = usePlayer();
  const [asked, setAsked] = useState(() => ({ question: questionFor(level), level }));
  const [looked, setLooked] = useState(0);
  const [said, setSaid] = useState<number | null>(null);
  const { knob, beads, right } = asked.question;
  const { hush } = player;
  const look = useCallback(
    (i: number) => {
      hush();
      setLooked(i);
    },
    [hush],
  );
  const say = useCallback(() => {
    keep('right', looked === right ? 'right' : looked < right ? 'lower' : 'higher', asked.level);
    setSaid(looked);
  }, [keep, looked, right, asked.level]);
  const next = useCallback(() => {
    hush();
    setAsked({ question: questionFor(level), level });
    setLooked(0);
    setSaid(null);
  }, [hush, level]);
  useKeys(
    useMemo(
      () => ({
        ...Object.fromEntries(beads.map((_, i) => [String(i + 1), () => look(i)])),
        ...(said === null ? { r: say } : {}),
      }),
      [beads, look, said, say],
    ),
  );
  const { run } = beads[looked];
  const source = useMemo<SoundSource | null>(() => (run === null ? null : { run, noise: null }), [run]);
  const figure = (i: number): string => figureWithUnit(knob, beads[i].settings[knob]!, units);
  return (
    <View role="region" aria-label="Turn one knob" className="gap-4 p-4">
      <DrillHead part="one-knob" level={level} answers={answers} />
      <Words strong>{`${SETTINGS[knob].name}, turned from low to high. Look and listen: which bead is right?`}</Words>
      <Columns
        left={
          <View role="radiogroup" aria-label="Five beads" className="gap-2">
            {beads.map(({ bead }, i) => {
              const mark = said === null ? '' : i === right ? ' ✓ right' : i === said ? ' ✕ you said' : '';
              return (
                <Pressable
                  key={i}
                  role="radio"
                  aria-checked={i === looked}
                  aria-label={`Bead ${i + 1}${said === null ? '' : `, ${figure(i)}`}${mark}`}
                  onPress={() => look(i)}
                  className={`overflow-hidden rounded-md border-4 ${i === looked ? 'border-ink' : 'border-edge'}`}
                >
                  <Row className="items-center gap-2 bg-plate pl-3">
                    <Words strong className="w-5 text-lg">
                      {i + 1}
                    </Words>
                    <View className="min-w-0 flex-1">
                      <BeadDrawing
                        bead={bead}
                        view="top"
                        height={64}
                        lengthMm={76}
                        title={`Bead ${i + 1} from above`}
                      />
                    </View>
                  </Row>
                  {said !== null && (
                    <Row className="justify-between bg-plate px-3">
                      <Words strong>{mark}</Words>
                      <Words>{figure(i)}</Words>
                    </Row>
                  )}
                </Pressable>
              );
            })}
          </View>
        }
        right={
          <>
            {source === null ? (
              <Words>This one cannot be heard.</Words>
            ) : (
              <Sound
                source={source}
                which={`bead ${looked}`}
                player={player}
                told={said !== null}
                title={`Play bead ${looked + 1}`}
                keyed
              />
            )}
            {said === null ? (
              <Next onNext={say} label={`Bead ${looked + 1} is right`} />
            ) : (
              <>
                <Words role="status">
                  {said === right
                    ? `Right: ${figure(right)}.`
                    : `Bead ${right + 1} is: ${figure(right)}. What you said is too ${said < right ? 'low' : 'high'}.`}
                </Words>
                <Next onNext={next} label="Next five" />
              </>
            )}
          </>
        }
      />
    </View>
  );
}
