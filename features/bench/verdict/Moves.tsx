import { lazy, Suspense } from 'react';
import { View } from 'react-native';
import type { Answer } from '@/core/answer';
import { movesNow, startingSettings } from '@/core/correction/next-settings';
import { fromToText } from '@/core/setting/words';
import { Button, Choice, Toggle } from '@/ui/Press';
import { Loading } from '@/ui/State';
import { Heading, Words } from '@/ui/Words';
import { CHANGES_WORDS } from '../../shared/habit-words';
import { useHabits, useTextIn, useUnits } from '../../shared/use-habits';
import { learnedWords } from '../../shared/machine-words';
import { useBenchActions, useDraftPart, useLive } from '../state/bench';
import { headline } from './headline';
import { isShut } from '../state/is-shut';
import { lookFirst } from './look-first';
import { MoveCard } from './MoveCard';
import { CheckCard } from './NextChecks';
import { useHears } from './use-hears';
import { useHeldBack } from './use-way-back';
import { capitalized } from '@/core/quantity/capitalized';

/** Fetched when there is something to start with, or something to be dealt with first. */
const StartCard = lazy(() => import('../start/StartCard'));
const SafetyGateCard = lazy(() => import('../start/SafetyGateCard'));
/** Fetched when somebody wants to hear. */
const HearIt = lazy(() => import('./HearIt'));

/** Shows what to do, one thing at a time: from → to in large figures, the knob's mark as large. */
export function Moves({ answer }: { answer: Answer }) {
  const { moves, outOfReach, procedure } = answer.correction;
  const textIn = useTextIn();
  const { findings, settings } = useDraftPart((draft) => draft);
  const start = startingSettings(settings, answer.correction);
  const asks = moves.length === 0 && headline(answer, findings).kind === 'ask';
  const isOpen = useHeldBack() === null && !isShut(answer.gate);
  const isHeld = answer.held.length > 0;
  const isToStart = Object.keys(start).length > 0 || answer.start !== null || isHeld;
  // The hand stays in sight until the bead is run.
  if (asks && !isShut(answer.gate) && !isToStart && outOfReach.length + procedure.length === 0) return null;
  return (
    <View className="gap-3">
      <StartCard answer={answer} />
      {isShut(answer.gate) ? (
        // Where there is something to start with, its card asks already.
        Object.keys(start).length === 0 && <SafetyGateCard gate={answer.gate} brief={false} />
      ) : !isOpen ? (
        <Words strong>The last bead came out worse: what is said of that goes first.</Words>
      ) : isHeld ? null : moves.length === 0 ? (
        <NothingToTurn answer={answer} />
      ) : (
        <MoveList answer={answer} />
      )}
      {isOpen && !isHeld && <OtherWay answer={answer} />}
      {isOpen && !isHeld && <ByEar answer={answer} />}
      <Learned />
      {[...procedure, ...outOfReach].map((text) => (
        <Words key={text} strong className="border-l-4 border-ink pl-3">
          {textIn(text)}
        </Words>
      ))}
    </View>
  );
}

/** Said only where it is known that nothing needs turning. */
function NothingToTurn({ answer }: { answer: Answer }) {
  const findings = useDraftPart((draft) => draft.findings);
  const { kind } = headline(answer, findings);
  if (kind === 'ask') return null;
  return (
    <View className="gap-1">
      <Heading level={2}>{kind === 'sound' ? 'Keep these settings' : 'No knob to turn yet'}</Heading>
      <Words>
        {kind === 'sound'
          ? 'Nothing here speaks for turning a knob.'
          : 'What was tapped does not point at a setting. The checks below tell more.'}
      </Words>
    </View>
  );
}

function MoveList({ answer }: { answer: Answer }) {
  const { correction } = answer;
  const look = lookFirst(answer);
  const [habits, setHabits] = useHabits();
  const now = movesNow(correction, habits.changes);
  const { takeMoves } = useBenchActions();
  const one = habits.changes === 'one';
  return (
    <>
      <Heading level={2}>Do this first</Heading>
      {look !== null && (
        <>
          <CheckCard check={look} />
          <Heading level={3} className="text-base">
            Or at once, as things stand
          </Heading>
        </>
      )}
      {correction.moves.map((move, index) => (
        <MoveCard key={index} move={move} first={look === null && now.includes(move)} />
      ))}
      <Choice
        label="How many changes"
        options={CHANGES_WORDS}
        chosen={habits.changes}
        onChoose={(changes) => setHabits({ ...habits, changes })}
      />
      <Button
        counts
        label={one ? 'I turned it: use these figures' : 'I turned them: use these figures'}
        onPress={takeMoves}
      />
    </>
  );
}

/** Shows what this rig has taught that the figures count on. */
function Learned() {
  const { judged } = useLive();
  const words = learnedWords(judged?.experience?.machine);
  return words === null ? null : <Words className="text-faint">{`Learned of this rig: ${words}`}</Words>;
}

/** Shows how it should sound, for whoever wants to hear. */
function ByEar({ answer }: { answer: Answer }) {
  const [hears, toggle] = useHears();
  return (
    <>
      <Toggle label="Hear it" on={hears} onPress={toggle} />
      {hears && (
        <Suspense fallback={<Loading what="the sound" />}>
          <HearIt answer={answer} />
        </Suspense>
      )}
    </>
  );
}

function OtherWay({ answer }: { answer: Answer }) {
  const units = useUnits();
  const { alternative, after } = answer.correction;
  if (alternative.withheld !== null) return <Words className="text-faint">{alternative.withheld}</Words>;
  if (alternative.moves.length === 0) return null;
  const [then, instead] = [alternative.after?.currentA ?? null, after?.currentA ?? null];
  return (
    <View className="gap-1">
      <Heading level={3} className="text-base">
        {answer.correction.either ? 'Either will do: or the other way' : 'Or the other way'}
      </Heading>
      {alternative.moves.map(
        (move, index) =>
          move.kind === 'setting' && (
            <Words key={index}>{`${capitalized(move.direction)}: ${fromToText(move, units)}`}</Words>
          ),
      )}
      {then !== null && instead !== null && (
        <Words className="text-faint">
          {`Then ${Math.round(then)} A instead of ${Math.round(instead)} A: ${then < instead ? 'colder, less metal' : 'hotter, more metal'}.`}
        </Words>
      )}
    </View>
  );
}
