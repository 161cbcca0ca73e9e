import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import { stream } from '@/core/chance/stream';
import { EYE_ITEMS, type EyeQuestion } from '@/core/school/by-eye';
import { confusionOf, mixedUp } from '@/core/school/confusion';
import { nextItem } from '@/core/school/next-item';
import { platform } from '@/platform/ports';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { StateNote } from '@/ui/State';
import { Words } from '@/ui/Words';
import { askSchool } from '@/workers/school';
import { Columns } from './Columns';
import { DrillHead } from './DrillHead';
import { Next } from './Next';
import { Options } from './Options';
import { newSeed, useDrill } from './use-practice';

type Asked = { question: EyeQuestion; level: number };

/** A bead that is drawn: what it shows is named, then the cause. */
export default function ByEye() {
  const { answers, level, keep } = useDrill('by-eye');
  const cause = useDrill('its-cause');
  const [asked, setAsked] = useState<Asked | 'failed' | null>(null);
  const [turn, setTurn] = useState(0);
  const [shown, setShown] = useState<string | null>(null);
  const [blamed, setBlamed] = useState<string | null>(null);
  // A question is made once for each turn, by what is known then; answers that come meanwhile do not change it.
  useEffect(() => {
    let left = false;
    const seed = newSeed() + turn;
    const item = nextItem(EYE_ITEMS, answers, platform().now(), stream(seed));
    const mixed = mixedUp(confusionOf(answers, EYE_ITEMS)).flatMap(({ one, other }) =>
      one === item ? [other] : other === item ? [one] : [],
    );
    askSchool({ kind: 'eye', item, level, mixed, seed }).then(
      ({ question }) => !left && setAsked({ question, level }),
      () => !left && setAsked('failed'),
    );
    return () => {
      left = true;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [turn]);
  const next = useCallback(() => {
    setAsked(null);
    setShown(null);
    setBlamed(null);
    setTurn((before) => before + 1);
  }, []);
  const question = asked === null || asked === 'failed' ? null : asked.question;
  const sayShown = useCallback(
    (id: string) => {
      if (question === null) return;
      keep(question.item, id, level);
      setShown(id);
    },
    [keep, question, level],
  );
  const { keep: keepCause } = cause;
  const sayCause = useCallback(
    (id: string) => {
      if (question === null) return;
      keepCause(question.cause.id, id, level);
      setBlamed(id);
    },
    [keepCause, question, level],
  );
  return (
    <View role="region" aria-label="By eye" className="gap-4 p-4">
      <DrillHead part="by-eye" level={level} answers={answers} />
      {asked === 'failed' && (
        <StateNote
          title="No bead came"
          text="The question could not be made."
          action={{ label: 'Try again', onPress: next }}
        />
      )}
      {asked === null && <Words role="status">A bead is being laid…</Words>}
      {question !== null && (
        <Columns
          left={
            <>
              <View className="overflow-hidden rounded-sm">
                <BeadDrawing bead={question.bead} view="top" height={130} lengthMm={50} title="The bead from above" />
              </View>
              <View className="overflow-hidden rounded-sm">
                <BeadDrawing bead={question.bead} view="section" height={120} title="The same, cut through" />
              </View>
              {blamed !== null && (
                <Words role="status">
                  <Words strong>{`${question.cause.name}. `}</Words>
                  {question.cause.why}
                </Words>
              )}
            </>
          }
          right={
            <>
              <Words strong>Which of these does it show?</Words>
              <Options
                label="Which of these does it show?"
                options={question.options}
                said={shown}
                right={question.item}
                onSay={sayShown}
              />
              {shown !== null && (
                <>
                  <Words role="status">{`It shows: ${question.shows.join('; ').toLowerCase()}.`}</Words>
                  <Words strong>And the likeliest cause?</Words>
                  <Options
                    label="And the likeliest cause?"
                    options={question.cause.options}
                    said={blamed}
                    right={question.cause.id}
                    onSay={sayCause}
                  />
                </>
              )}
              {blamed !== null && <Next onNext={next} label="Next bead" />}
            </>
          }
        />
      )}
    </View>
  );
}
