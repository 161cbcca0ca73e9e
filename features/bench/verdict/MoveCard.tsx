import { View } from 'react-native';
import type { Move } from '@/core/correction/moves';
import { dialFor } from '@/core/setting/dials';
import { fromToText, knobText } from '@/core/setting/words';
import { Row } from '@/ui/Row';
import { Figure, Words } from '@/ui/Words';
import { useTextIn, useUnits } from '../../shared/use-habits';
import { useBenchRecords } from '../state/bench';
import { capitalized } from '@/core/quantity/capitalized';

/** One thing to do, with why and what the next bead should show. */
export function MoveCard({ move, first }: { move: Move; first: boolean }) {
  const units = useUnits();
  const { dials } = useBenchRecords();
  const textIn = useTextIn();
  const frame = `gap-1 rounded-md p-3 ${first ? 'bg-act' : 'bg-plate'}`;
  const words = first ? 'text-on-act' : 'text-ink';
  if (move.kind === 'remedy') {
    return (
      <View className={frame}>
        <Words strong className={`text-xl ${words}`}>
          {textIn(move.do)}
        </Words>
        <Words className={words}>{`${textIn(move.because)} Volts and wire stay where they are.`}</Words>
        {move.caution && <Words strong className={words}>{`Mind: ${textIn(move.caution)}`}</Words>}
      </View>
    );
  }
  const onKnob = knobText(move, dialFor(dials, move.setting));
  return (
    <View className={frame}>
      <Words strong className={words}>
        {capitalized(move.direction)}
      </Words>
      <Row className="flex-wrap items-baseline gap-x-4">
        <Figure className={words}>{fromToText(move, units)}</Figure>
        {onKnob !== null && <Figure className={words}>{onKnob}</Figure>}
      </Row>
      <Words className={words}>{textIn(move.because)}</Words>
      <Words className={words}>{`Next bead: ${move.expect}.`}</Words>
    </View>
  );
}
