import { Pressable, View } from 'react-native';
import { evidenceName } from '@/core/knowledge';
import { readable, unitOf } from '@/core/quantity/units';
import { QUANTITY_OF } from '@/core/record/taken-move';
import { Row } from '@/ui/Row';
import { likelihoodWords } from '@/ui/temper';
import { TemperBar } from '@/ui/TemperBar';
import { Figure, Words } from '@/ui/Words';
import { headline as headlineOf, type Headline } from './headline';
import type { Bench } from './use-bench';

type PeekProps = { bench: Bench; open: boolean; onPress: () => void };

/** The verdict in two lines: the top cause and the next move. It is always in sight and opens upward. */
export function VerdictPeek({ bench, open, onPress }: PeekProps) {
  const { answer, problem } = bench.live;
  if (answer === null) return <Words className="min-h-24 flex-1 p-3">{problem ?? 'Working it out…'}</Words>;
  const said = headlineOf(answer, bench.draft.findings);
  const { title, probability } = said;
  const stop = answer.cautions.find((caution) => caution.stop);
  const likely = probability === null ? '' : `, ${likelihoodWords(probability)}, ${Math.round(probability * 100)} %`;
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      aria-label={`Verdict: ${title}${likely}. ${open ? 'Close' : 'Open'}`}
      onPress={onPress}
      className="min-w-0 flex-1 justify-center gap-1 py-1"
    >
      {stop !== undefined && (
        <View className="rounded-sm bg-stop px-2">
          <Words strong className="text-on-stop" numberOfLines={2}>
            {stop.text}
          </Words>
        </View>
      )}
      <VerdictTitle title={title} probability={probability} />
      <PeekMove bench={bench} headline={said} />
    </Pressable>
  );
}

/** The head of the verdict: the cause, and how likely it is on the temper scale. */
export function VerdictTitle({ title, probability }: { title: string; probability: number | null }) {
  return (
    <View className="gap-1">
      <Words strong className="text-xl leading-tight" numberOfLines={1}>
        {title}
      </Words>
      {probability !== null && (
        <Row className="items-center gap-2">
          <TemperBar share={probability} className="flex-1" />
          <Words className="text-sm leading-tight">{`${likelihoodWords(probability)} · ${Math.round(probability * 100)} %`}</Words>
        </Row>
      )}
    </View>
  );
}

function PeekMove({ bench, headline }: { bench: Bench; headline: Headline }) {
  const move = bench.live.answer?.correction.moves[0];
  const { units } = bench.habits;
  if (move === undefined) {
    const [next] = bench.live.answer?.nextChecks ?? [];
    const unclear = headline.kind === 'open' && next !== undefined;
    return unclear ? (
      <Words strong numberOfLines={2}>{`Check first: ${evidenceName(next.check).toLowerCase()}`}</Words>
    ) : (
      <Words className="text-faint">Leave the numbers as they are.</Words>
    );
  }
  if (move.kind === 'remedy') {
    return (
      <Words strong className="text-lg leading-tight" numberOfLines={2}>
        {move.do}
      </Words>
    );
  }
  const quantity = QUANTITY_OF[move.setting];
  const from = move.from === null ? '?' : readable(move.from, quantity, units);
  return (
    <View>
      <Row className="flex-wrap items-baseline gap-x-2">
        <Figure className="text-3xl leading-tight">{`${from} → ${readable(move.to, quantity, units)}`}</Figure>
        <Words strong>{unitOf(quantity, units)}</Words>
        {move.dialTo !== null && <Figure className="text-2xl leading-tight">{`knob ${move.dialTo}`}</Figure>}
      </Row>
      <Words className="leading-tight">{move.direction}</Words>
    </View>
  );
}
