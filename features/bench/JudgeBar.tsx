import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { OUTCOME_WORDS } from '@/core/record/outcome';
import type { Outcome } from '@/core/record/schema';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { useBenchActions, useBenchRecords, useIsOurs } from './bench';

const OUTCOMES = Object.keys(OUTCOME_WORDS) as NonNullable<Outcome>[];

/** After a bead is logged: how was it against the one before? */
export function JudgeBar() {
  const { lastBead, coupon } = useBenchRecords();
  const { judge } = useBenchActions();
  // A bead that another device logs meanwhile is its own to judge: nothing slides in under the hands here.
  const isOurs = useIsOurs(lastBead?.id ?? null);
  if (lastBead?.outcome === 'sound' && isOurs) return <KeepIt couponId={coupon.id} number={lastBead.number} />;
  if (lastBead === null || lastBead.outcome !== null || !isOurs) return null;
  const before = coupon.beads[coupon.beads.length - 2];
  const question =
    before === undefined
      ? `Bead ${lastBead.number} is logged. How was it?`
      : `Bead ${lastBead.number} is logged. Against bead ${before.number}?`;
  const choices = before === undefined ? OUTCOMES.filter((outcome) => outcome === 'sound') : OUTCOMES;
  return (
    <View role="group" aria-label={question} className="mx-4 gap-2 rounded-md bg-plate p-3">
      <Words strong>{question}</Words>
      <Row className="flex-wrap gap-2">
        {choices.map((outcome) => (
          <Button key={outcome} className="flex-1" label={OUTCOME_WORDS[outcome]} onPress={() => judge(outcome)} />
        ))}
      </Row>
    </View>
  );
}

/** A sound bead is what all of it was for: its setting is kept before the plate is put away. */
function KeepIt({ couponId, number }: { couponId: string; number: number }) {
  const router = useRouter();
  return (
    <Row className="mx-4 items-center gap-3 rounded-md bg-plate p-3">
      <Words strong className="min-w-0 flex-1">{`Bead ${number} is sound.`}</Words>
      <Button
        label="Keep the setting"
        onPress={() => router.push({ pathname: '/coupon/[couponId]/keep', params: { couponId } })}
      />
    </Row>
  );
}
