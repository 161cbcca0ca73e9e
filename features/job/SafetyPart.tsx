import { useState } from 'react';
import { useWatch, type Control, type UseFormSetValue } from 'react-hook-form';
import { CONCERNS, type Concern } from '@/core/case/terms';
import { suggestedQuestions, withAnswer } from '@/core/diagnosis/safety-gate';
import { CAUTIONS } from '@/core/knowledge/cautions';
import { Part } from '@/ui/Part';
import { Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { CONCERN_WORDS } from '../shared/job-words';
import { DangerQuestion } from '../shared/DangerQuestion';
import type { JobValues } from './job-form';

/** Shows what can hurt on this job: what it suggests is asked, all else can be said. */
export function SafetyPart({
  control,
  setValue,
}: {
  control: Control<JobValues>;
  setValue: UseFormSetValue<JobValues>;
}) {
  const [more, setMore] = useState(false);
  const [title, workpiece, place, critical, surface, concerns, ruledOut] = useWatch({
    control,
    name: ['title', 'workpiece', 'place', 'critical', 'surface', 'concerns', 'ruledOut'],
  });
  const job = {
    title,
    ...(workpiece === null ? {} : { workpiece }),
    ...(place === null ? {} : { place }),
    ...(critical === null ? {} : { critical }),
    ...{ surface, concerns, ruledOut },
  };
  const questions = suggestedQuestions(CAUTIONS, { job }, { usesGas: true });
  const asked = new Set(questions.map(({ concern }) => concern));
  const others = CONCERNS.filter((concern) => !asked.has(concern));
  const say = (concern: Concern, isSo: boolean | null): void => {
    const said = isSo === null ? null : withAnswer(job, concern, isSo);
    const besides = (list: readonly Concern[]): Concern[] => list.filter((other) => other !== concern);
    setValue('concerns', said?.concerns ?? besides(concerns), { shouldDirty: true });
    setValue('ruledOut', said?.ruledOut ?? besides(ruledOut), { shouldDirty: true });
  };
  return (
    <Part title="Before any arc">
      {questions.map((question) => (
        <DangerQuestion
          key={question.concern}
          question={question}
          said={concerns.includes(question.concern) ? true : ruledOut.includes(question.concern) ? false : null}
          onSay={(isSo) => say(question.concern, isSo)}
        />
      ))}
      <Toggle label="Anything else that can hurt?" on={more} onPress={() => setMore(!more)} />
      {(more || others.some((concern) => concerns.includes(concern))) && (
        <Row className="flex-wrap gap-2">
          {others.map((concern) => (
            <Toggle
              key={concern}
              label={CONCERN_WORDS[concern]}
              on={concerns.includes(concern)}
              onPress={() => say(concern, concerns.includes(concern) ? null : true)}
            />
          ))}
        </Row>
      )}
    </Part>
  );
}
