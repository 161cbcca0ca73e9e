import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { stream } from '@/core/chance/stream';
import { EYE_ITEMS, type EyeQuestion } from '@/core/school/eye-items';
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
import { useMade } from './use-made';
import { newSeed, useDrill } from './use-practice';

type Asked = { question: EyeQuestion; level: number };
const NOTHING = { question: null, level: 1 };

/** A bead that is drawn: what it shows is named, then the cause. */
export default function ByEye() {
  const { answers, level, keep } = useDrill('by-eye');
  const cause = useDrill('its-cause');
  const [shown, setShown] = useState<string | null>(null);
  const [blamed, setBlamed] = useState<string | null>(null);
  const { made: asked, again } = useMade(async (turn): Promise<Asked> => {
    const seed = newSeed() + turn;
    const item = nextItem(EYE_ITEMS, answers, platform().now(), stream(seed));
    const mixed = mixedUp(confusionOf(answers, EYE_ITEMS)).flatMap(({ one, other }) =>
      one === item ? [other] : other === item ? [one] : [],
    );
    const { question } = await askSchool({ kind: 'eye', item, level, mixed, seed });
    return { question, level };
  });
  const next = useCallback(() => {
    setShown(null);
    setBlamed(null);
    again();
  }, [again]);
  const { question, level: askedAt } = asked === null || asked === 'failed' ? NOTHING : asked;
  const sayShown = useCallback(
    (id: string) => {
      if (question === null) return;
      keep(question.item, id, askedAt);
      setShown(id);
    },
    [keep, question, askedAt],
  );
  const { keep: keepCause } = cause;
  const sayCause = useCallback(
    (id: string) => {
      if (question === null) return;
      keepCause(question.cause.id, id, askedAt);
      setBlamed(id);
    },
    [keepCause, question, askedAt],
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
