import { useMemo } from 'react';
import { View } from 'react-native';
import { isCheckId } from '@/core/evidence/ids';
import { anotherWay } from '@/core/correction/another-way';
import type { Bead } from '@/core/record/shapes/record-schema';
import { Button } from '@/ui/Press';
import { Heading, Words } from '@/ui/Words';
import type { Asked } from '@/workers/protocol';
import { useAnswer } from '@/workers/use-answer';
import { useHabits, useTextIn } from '../../shared/use-habits';
import { useTeaching } from '../../../client/use-records';
import { useBenchActions, useBenchRecords } from '../state/bench';
import { isShut } from '../state/is-shut';
import { askedAgain } from '../state/lesson';
import { MoveCard } from './MoveCard';

/** From this chance on a cause is named. */
const CLEAR = 0.3;

type Back = { bead: Bead; worse: Bead };

/** Once a change is taken back: what else the bead before it may want, now that it is known what did not help. */
export default function AnotherWay({ bead, worse }: Back) {
  const { coupon } = useBenchRecords();
  const teaching = useTeaching(coupon.rig.id).data ?? null;
  const asked = useMemo(() => askedAgain(bead, coupon, teaching), [bead, coupon, teaching]);
  return asked === null ? null : <Answered {...{ bead, worse, asked }} />;
}

function Answered({ bead, worse, asked }: Back & { asked: Asked }) {
  const [habits] = useHabits();
  const textIn = useTextIn();
  const { takeBack } = useBenchActions();
  const { answer } = useAnswer(asked);
  if (answer === null || isShut(answer.gate)) return null;
  const moves = anotherWay(answer.correction, bead.settings, worse.settings, habits.changes);
  const figures = moves.flatMap((move) => (move.kind === 'setting' ? [[move.setting, move.to] as const] : []));
  const [top] = answer.causes;
  const look = answer.nextChecks.find(({ check }) => isCheckId(check));
  return (
    <View role="region" aria-label="Another way" className="mx-4 gap-2 rounded-md border-2 border-ink bg-plate p-3">
      <Heading level={2}>Another way</Heading>
      <Words>
        {top === undefined || top.probability < CLEAR
          ? `With what that change did, bead ${bead.number} shows nothing clear.`
          : `With what that change did, bead ${bead.number} points to: ${top.name.toLowerCase()}, ${Math.round(100 * top.probability)} %.`}
      </Words>
      {moves.map((move, index) => (
        <MoveCard key={index} move={move} first />
      ))}
      {moves.length === 0 && (
        <Words strong>
          {look === undefined
            ? 'Nothing else to turn. Run it once more at these figures, and look closer.'
            : `Nothing else to turn. Look first: ${textIn(look.plain)}`}
        </Words>
      )}
      {figures.length > 0 && <Button label="Use this way" onPress={() => takeBack(Object.fromEntries(figures))} />}
    </View>
  );
}
