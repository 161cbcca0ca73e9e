import { useRef, useState } from 'react';
import { View } from 'react-native';
import type { Concern, Job } from '@/core/case/schema';
import { withAnswer, withDealtWith, type SafetyGate } from '@/core/diagnosis/safety-gate';
import { platform } from '@/platform/ports';
import { Button } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { makeChange } from '../../../client/send-changes';
import { useTextIn } from '../../shared/use-habits';
import { useSubmit } from '../../../client/use-records';
import { DangerQuestion } from '../../shared/DangerQuestion';
import { useBenchRecords } from '../state/bench';
import { CautionNotes } from '../../shared/CautionNotes';

/**
 * Shows what has to be said and done before figures are given. What is said here is kept with the job, as a correction of it.
 * @param brief true where the stops do not stand in full above
 */
export default function SafetyGateCard({ gate: { asks, stops }, brief }: { gate: SafetyGate; brief: boolean }) {
  const { coupon } = useBenchRecords();
  const { put, problem } = useSubmit();
  const textIn = useTextIn();
  const [said, setSaid] = useState<{ [concern in Concern]?: boolean }>({});
  const ahead = useRef<{ job: Job; versions: Set<string> } | null>(null);
  // Hands are quicker than the record: what was answered a moment ago counts, unless another device corrected the job since.
  const keep = (change: (job: Job) => Job): void => {
    const { newId, now } = platform();
    const before = ahead.current?.versions.has(coupon.job.id) === true ? ahead.current : null;
    const version = { id: newId(), at: now().toISOString(), job: change(before?.job ?? coupon.job.job) };
    ahead.current = {
      job: version.job,
      versions: new Set([...(before?.versions ?? [coupon.job.id]), version.id]),
    };
    void put([makeChange('correct-job', coupon.id, version, coupon.revision)]);
  };
  return (
    <View className="gap-3">
      <Words strong>
        {stops.length > 0
          ? 'The figures wait until what the stop asks for is done.'
          : 'The figures wait until this is answered.'}
      </Words>
      {stops.map(({ id, of, text, first }) => (
        <View key={id} className="gap-2">
          {brief && <CautionNotes cautions={[{ id, stop: true, text }]} />}
          <Button label={textIn(`Done: ${first}`)} onPress={() => keep((job) => withDealtWith(job, of))} />
        </View>
      ))}
      {asks.map((question) => (
        <DangerQuestion
          key={question.concern}
          question={question}
          said={said[question.concern] ?? null}
          onSay={(isSo) => {
            setSaid({ ...said, [question.concern]: isSo });
            keep((job) => withAnswer(job, question.concern, isSo));
          }}
        />
      ))}
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
    </View>
  );
}
