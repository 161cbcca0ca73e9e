import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { OUTCOME_WORDS } from '@/core/record/outcome';
import type { Bead, Outcome } from '@/core/record/schema';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { useAttach, usePictures } from '../shared/use-pictures';
import { useBenchActions, useBenchRecords, useIsOurs } from './bench';

const OUTCOMES = Object.keys(OUTCOME_WORDS) as NonNullable<Outcome>[];

/** After a bead is logged: how was it against the one before? */
export function JudgeBar() {
  const { lastBead, coupon } = useBenchRecords();
  const { judge } = useBenchActions();
  // A bead that another device logs meanwhile is its own to judge: nothing slides in under the hands here.
  const isOurs = useIsOurs(lastBead?.id ?? null);
  if (lastBead?.outcome === 'sound' && isOurs) return <KeepIt couponId={coupon.id} bead={lastBead} />;
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
      <PhotographIt bead={lastBead} />
    </View>
  );
}

/** A bead is photographed while it lies there; what is attached is measured later, in the log. */
function PhotographIt({ bead }: { bead: Bead }) {
  const { attach, busy, problem } = useAttach();
  const { coupon } = useBenchRecords();
  const { data = [] } = usePictures({ owner: { couponId: coupon.id }, beadIds: [bead.id] });
  const count = data.filter(({ beadId }) => beadId === bead.id).length;
  return (
    <View className="gap-2">
      <Button
        label={count === 0 ? 'Photograph it' : `Photograph it again (${count} taken)`}
        aria-label={`Photograph bead ${bead.number}${count === 0 ? '' : `, ${count} taken`}`}
        disabled={busy}
        onPress={() => void attach('camera', { beadId: bead.id, weldId: null })}
      />
      {problem !== null && <Words role="alert" strong>{`Not taken. ${problem}`}</Words>}
    </View>
  );
}

/** A sound bead is what all of it was for: its setting is kept before the plate is put away. */
function KeepIt({ couponId, bead }: { couponId: string; bead: Bead }) {
  const router = useRouter();
  return (
    <View className="mx-4 gap-2 rounded-md bg-plate p-3">
      <Row className="items-center gap-3">
        <Words strong className="min-w-0 flex-1">{`Bead ${bead.number} is sound.`}</Words>
        <Button
          label="Keep the setting"
          onPress={() => router.push({ pathname: '/coupon/[couponId]/keep', params: { couponId } })}
        />
      </Row>
      <PhotographIt bead={bead} />
    </View>
  );
}
