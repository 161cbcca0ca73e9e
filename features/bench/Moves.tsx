import { View } from 'react-native';
import type { Answer } from '@/core/answer';
import type { Move, SettingMove } from '@/core/correction/moves';
import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import { QUANTITY_OF } from '@/core/record/taken-move';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Figure, Heading, Words } from '@/ui/Words';
import type { Bench } from './use-bench';

/** What to do, one thing at a time: from → to in large figures, the knob's mark as large. */
export function Moves({ bench, answer }: { bench: Bench; answer: Answer }) {
  const { moves, alternative, outOfReach, after } = answer.correction;
  const { units, changes } = bench.habits;
  return (
    <View className="gap-3">
      <Heading level={2}>{moves.length === 0 ? 'Leave the numbers' : 'Do this first'}</Heading>
      {moves.length === 0 && <Words>Nothing here speaks for turning a knob.</Words>}
      {moves.map((move, index) => (
        <MoveCard key={index} move={move} index={index} units={units} />
      ))}
      {moves.length > 0 && (
        <>
          <Choice
            label="How many changes"
            options={[
              { value: 'one', label: 'One change a bead' },
              { value: 'all', label: 'All at once' },
            ]}
            chosen={changes}
            onChoose={(value) => bench.setHabits({ ...bench.habits, changes: value })}
          />
          <Button
            label={changes === 'one' ? 'I turned it: use these figures' : 'I turned them: use these figures'}
            onPress={bench.act.useMoves}
          />
        </>
      )}
      {alternative.moves.length > 0 && (
        <View className="gap-1">
          <Heading level={3} className="text-base">
            Or the other way
          </Heading>
          {alternative.moves.map(
            (move, index) =>
              move.kind === 'setting' && (
                <Words key={index}>{`${capital(move.direction)}: ${fromTo(move, units)}`}</Words>
              ),
          )}
          {alternative.after?.currentA && after?.currentA && (
            <Words className="text-faint">{`Then ${Math.round(alternative.after.currentA)} A instead of ${Math.round(after.currentA)} A${alternative.after.currentA < after.currentA ? ': colder, less metal' : ': hotter, more metal'}.`}</Words>
          )}
        </View>
      )}
      {outOfReach.map((text) => (
        <Words key={text} strong className="border-l-4 border-ink pl-3">
          {text}
        </Words>
      ))}
    </View>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** "16.5 → 19.9 V". */
export function fromTo(move: SettingMove, units: UnitSystem): string {
  const quantity = QUANTITY_OF[move.setting];
  const from = move.from === null ? '?' : readable(move.from, quantity, units);
  return `${from} → ${readable(move.to, quantity, units)} ${unitOf(quantity, units)}`;
}

function MoveCard({ move, index, units }: { move: Move; index: number; units: UnitSystem }) {
  const first = index === 0;
  const frame = `gap-1 rounded-md p-3 ${first ? 'bg-act' : 'bg-plate'}`;
  const words = first ? 'text-on-act' : 'text-ink';
  if (move.kind === 'remedy') {
    return (
      <View className={frame}>
        <Words strong className={`text-xl ${words}`}>
          {move.do}
        </Words>
        <Words className={words}>{`${move.because} Numbers stay.`}</Words>
        {move.caution && <Words strong className={words}>{`Mind: ${move.caution}`}</Words>}
      </View>
    );
  }
  return (
    <View className={frame}>
      <Words strong className={words}>
        {capital(move.direction)}
      </Words>
      <Row className="flex-wrap items-baseline gap-x-4">
        <Figure className={words}>{fromTo(move, units)}</Figure>
        {move.dialTo !== null && <Figure className={words}>{`knob ${move.dialFrom ?? '?'} → ${move.dialTo}`}</Figure>}
      </Row>
      <Words className={words}>{move.because}</Words>
      <Words className={words}>{`Next bead: ${move.expect}.`}</Words>
    </View>
  );
}
