import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/Press';
import { StateNote } from '@/ui/State';
import { Words } from '@/ui/Words';
import type { CheckOption } from '@/core/school/what-first';
import { askSchool } from '@/workers/school';
import { DrillHead } from './DrillHead';
import { Next } from './Next';
import { useMade } from './use-made';
import { newSeed, useDrill } from './use-practice';

const minutesWords = (minutes: number): string =>
  minutes < 1 ? 'under a minute' : `${Math.round(minutes)} ${Math.round(minutes) === 1 ? 'minute' : 'minutes'}`;

/** A fault and some checks: put in order, what tells the most for its time first. */
export default function WhatFirst() {
  const { answers, level, keep } = useDrill('what-first');
  const [order, setOrder] = useState<string[]>([]);
  const { made: question, again } = useMade(
    async (turn) => (await askSchool({ kind: 'first', level, seed: newSeed() + turn })).question,
  );
  const next = useCallback(() => {
    setOrder([]);
    again();
  }, [again]);
  const known = question === 'failed' ? null : question;
  const isDone = known !== null && order.length === known.checks.length;
  const pick = (id: string): void => {
    if (known === null || isDone) return;
    // A tap on one that has its place takes it and all after it out again.
    const at = order.indexOf(id);
    const put = at >= 0 ? order.slice(0, at) : [...order, id];
    setOrder(put);
    if (put.length === known.checks.length) keep(known.order[0], put[0], level);
  };
  const rightPairs = isDone ? pairsInOrder(order, known.order) : 0;
  const allPairs = known === null ? 0 : (known.checks.length * (known.checks.length - 1)) / 2;
  return (
    <View role="region" aria-label="What first?" className="gap-4 p-4">
      <DrillHead part="what-first" level={level} answers={answers} />
      {question === 'failed' && (
        <StateNote
          title="No fault came"
          text="The question could not be made."
          action={{ label: 'Try again', onPress: next }}
        />
      )}
      {question === null && <Words role="status">A fault is being made…</Words>}
      {known !== null && (
        <>
          <Words>
            <Words strong>The bead shows: </Words>
            {`${known.shows.join('; ').toLowerCase()}.`}
          </Words>
          <Words strong>Tap the checks in the order you would make them.</Words>
          <View role="group" aria-label="Checks" className="gap-2">
            {known.checks.map(({ id, name, minutes, plain, answers: seen }) => {
              const place = order.indexOf(id) + 1;
              const right = known.order.indexOf(id) + 1;
              return (
                <View key={id} className="gap-1">
                  <Button
                    label={`${place === 0 ? '·' : place}  ${name} (${minutesWords(minutes)})`}
                    aria-label={`${name}, ${minutesWords(minutes)}${place === 0 ? '' : `: ${place}.`}`}
                    tone={place === 0 ? 'plain' : 'act'}
                    onPress={() => pick(id)}
                  />
                  {isDone && (
                    <Words className="px-2 text-sm">
                      {[right === place ? '✓' : `✕ comes ${right}.`, plain, ...seen.map(leadsWords)].join(' ')}
                    </Words>
                  )}
                </View>
              );
            })}
          </View>
          {isDone && (
            <>
              <Words role="status">
                <Words strong>{order[0] === known.order[0] ? 'The first is right. ' : 'Another comes first. '}</Words>
                {`${rightPairs} of ${allPairs} pairs in order: what tells the most for its time comes first.`}
              </Words>
              <Next onNext={next} label="Next fault" />
            </>
          )}
        </>
      )}
    </View>
  );
}

/** Returns what an answer would lead to: "Needle drops: gas lost on the way." */
const leadsWords = ({ text, leadsTo }: CheckOption['answers'][number]): string =>
  leadsTo === null ? `${text}.` : `${text}: ${leadsTo.toLowerCase()}.`;

/** Pairs that stand in the same order in both. */
function pairsInOrder(said: readonly string[], right: readonly string[]): number {
  let count = 0;
  for (let i = 0; i < said.length; i++)
    for (let j = i + 1; j < said.length; j++) if (right.indexOf(said[i]) < right.indexOf(said[j])) count += 1;
  return count;
}
