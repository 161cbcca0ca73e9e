import { useRouter } from 'expo-router';
import Camera from 'lucide-react-native/icons/camera';
import { Pressable, View } from 'react-native';
import { OUTCOME_WORDS } from '@/core/record/words/outcome';
import type { Bead, Outcome } from '@/core/record/shapes/record-schema';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useInk } from '@/ui/use-ink';
import { Words } from '@/ui/Words';
import { useAttach, usePictures } from '../../client/use-pictures';
import { useBenchActions, useBenchRecords, useIsOurs } from './state/bench';

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
      <SaidOf bead={lastBead} text={question} />
      <Row className="flex-wrap gap-2">
        {choices.map((outcome) => (
          <Button key={outcome} className="flex-1" label={OUTCOME_WORDS[outcome]} onPress={() => judge(outcome)} />
        ))}
      </Row>
    </View>
  );
}

/** Shows what is said of a bead, and beside it its photograph: it is taken while the bead lies there, and measured later, in the log. */
function SaidOf({ bead, text }: { bead: Bead; text: string }) {
  const ink = useInk();
  const { attach, busy, problem } = useAttach();
  const { coupon } = useBenchRecords();
  const { data = [] } = usePictures({ owner: { couponId: coupon.id }, beadIds: [bead.id] }, false);
  const count = data.filter(({ beadId }) => beadId === bead.id).length;
  return (
    <View className="gap-2">
      <Row className="items-center gap-3">
        <Words strong className="min-w-0 flex-1">
          {text}
        </Words>
        <Pressable
          role="button"
          aria-label={`Photograph bead ${bead.number}${count === 0 ? '' : `, ${count} taken`}`}
          aria-disabled={busy}
          disabled={busy}
          onPress={() => void attach('camera', { beadId: bead.id, weldId: null })}
          className={`h-14 min-w-14 flex-row items-center justify-center gap-1 rounded-md border-2 border-edge bg-plate px-3 ${busy ? 'opacity-50' : ''}`}
        >
          <Camera size={24} color={ink} />
          {count > 0 && <Words strong>{String(count)}</Words>}
        </Pressable>
      </Row>
      {problem !== null && <Words role="alert" strong>{`Not taken. ${problem}`}</Words>}
    </View>
  );
}

/** A sound bead is what all of it was for: its setting is kept before the plate is put away. */
function KeepIt({ couponId, bead }: { couponId: string; bead: Bead }) {
  const router = useRouter();
  return (
    <View className="mx-4 gap-2 rounded-md bg-plate p-3">
      <SaidOf bead={bead} text={`Bead ${bead.number} is sound.`} />
      <Button
        label="Keep the setting"
        onPress={() => router.push({ pathname: '/coupon/[couponId]/keep', params: { couponId } })}
      />
    </View>
  );
}
