import { View } from 'react-native';
import { OUTCOMES } from '@/core/record/schema';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { OUTCOME_WORDS } from './outcome';
import type { Bench } from './use-bench';

/** After a bead is logged: how was it against the one before? */
export function JudgeBar({ bench }: { bench: Bench }) {
  const { lastBead } = bench;
  if (lastBead === null || lastBead.outcome !== null) return null;
  const question =
    lastBead.number === 1
      ? 'Bead 1 is logged. How was it?'
      : `Bead ${lastBead.number} is logged. Against bead ${lastBead.number - 1}?`;
  const choices = lastBead.number === 1 ? OUTCOMES.filter((outcome) => outcome === 'sound') : OUTCOMES;
  return (
    <View role="group" aria-label={question} className="mx-4 gap-2 rounded-md bg-plate p-3">
      <Words strong>{question}</Words>
      <Row className="flex-wrap gap-2">
        {choices.map((outcome) => (
          <Button
            key={outcome}
            className="flex-1"
            label={OUTCOME_WORDS[outcome]}
            onPress={() => bench.act.judge(outcome)}
          />
        ))}
      </Row>
    </View>
  );
}
