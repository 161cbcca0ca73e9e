import { lazy, Suspense } from 'react';
import { View } from 'react-native';
import { dialFor } from '@/core/setting/dials';
import { directionText, fromToText, knobText } from '@/core/setting/words';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Figure, Heading, Words } from '@/ui/Words';
import { useUnits } from '../../shared/use-habits';
import { useBenchActions, useBenchRecords } from '../state/bench';
import { useWayBack } from './use-way-back';
import { capitalized } from '@/core/quantity/capitalized';

/** Fetched when a change was taken back. */
const AnotherWay = lazy(() => import('./AnotherWay'));

/** After a bead that came out worse: what was changed for it is taken back before anything else is tried. */
export function TakeBack() {
  const { dials } = useBenchRecords();
  const { takeBack } = useBenchActions();
  const units = useUnits();
  const way = useWayBack();
  if (way === null) return null;
  if ('bead' in way)
    return (
      <Suspense fallback={null}>
        <AnotherWay {...way} />
      </Suspense>
    );
  const back = way.takeBack;
  return (
    <View role="region" aria-label="Take back first" className="mx-4 gap-2 rounded-md border-2 border-ink bg-plate p-3">
      <Heading level={2}>Take back first</Heading>
      <Words>{`Bead ${back.worse} was worse than bead ${back.than}. Go back to what bead ${back.than} was run with, and try another way.`}</Words>
      {back.turns.map((turn) => {
        const knob = knobText(turn, dialFor(dials, turn.setting));
        return (
          <Row key={turn.setting} className="flex-wrap items-baseline gap-x-3">
            <Words strong>{capitalized(directionText(turn.setting, turn.from, turn.to))}</Words>
            <Figure className="text-2xl leading-tight">{fromToText(turn, units)}</Figure>
            {knob !== null && <Words strong>{knob}</Words>}
          </Row>
        );
      })}
      <Button
        label="Taken back: use these figures"
        onPress={() => takeBack(Object.fromEntries(back.turns.map(({ setting, to }) => [setting, to])))}
      />
    </View>
  );
}
