import { Pressable, View } from 'react-native';
import type { Answer } from '@/core/answer';
import { startingSettings } from '@/core/correction/next-settings';
import type { UnitSystem } from '@/core/quantity/units';
import type { Dial } from '@/core/setting/dial';
import { dialFor } from '@/core/setting/dials';
import { SETTINGS, type SettingName } from '@/core/setting/table';
import { dialText, figureText, figureWithUnit, unitText } from '@/core/setting/words';
import { Row } from '@/ui/Row';
import { likelihoodWords } from '@/ui/temper';
import { TemperBar } from '@/ui/TemperBar';
import { Figure, Words } from '@/ui/Words';
import { useTextIn, useUnits } from '../../shared/use-habits';
import { useBenchRecords, useDraftPart, useLive } from '../state/bench';
import { headline as headlineOf, type Headline } from './headline';
import { isShut } from '../state/is-shut';
import { lookFirst } from './look-first';
import { useHeldBack } from './use-way-back';

/** The verdict in two lines: the top cause and the next move. It is always in sight and opens upward. */
export function VerdictPeek({ open, onPress }: { open: boolean; onPress: () => void }) {
  const { answer, problem } = useLive();
  const findings = useDraftPart((draft) => draft.findings);
  const textIn = useTextIn();
  if (answer === null) return <Words className="min-h-24 flex-1 p-3">{problem ?? 'Working it out…'}</Words>;
  const said = headlineOf(answer, findings);
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
            {textIn(stop.text)}
          </Words>
        </View>
      )}
      <VerdictTitle title={title} probability={probability} />
      <PeekMove answer={answer} headline={said} />
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

/** The next move; where there is none, what to start with, to check or to do. */
function PeekMove({ answer, headline }: { answer: Answer; headline: Headline }) {
  const units = useUnits();
  const textIn = useTextIn();
  const { dials } = useBenchRecords();
  const [move] = answer.correction.moves;
  const way = useHeldBack();
  if (isShut(answer.gate))
    return (
      <Words strong numberOfLines={2}>
        {answer.gate.stops.length > 0 ? 'Stop: do first what it asks for' : 'First: answer what this job asks'}
      </Words>
    );
  // What comes of a worse bead is settled first: nothing here may speak against it.
  if (way !== null)
    return (
      <Words strong numberOfLines={2}>
        {'takeBack' in way ? 'Take back first what made it worse' : 'Another way: see above'}
      </Words>
    );
  const look = lookFirst(answer);
  if (look !== null) return <Words strong numberOfLines={2}>{`Look first: ${textIn(look.name).toLowerCase()}`}</Words>;
  if (move === undefined) return <NoMove answer={answer} headline={headline} />;
  if (move.kind === 'remedy') {
    return (
      <Words strong className="text-lg leading-tight" numberOfLines={2}>
        {textIn(move.do)}
      </Words>
    );
  }
  const { setting, from, to } = move;
  const mark = dialText(dialFor(dials, setting), to);
  return (
    <View>
      <Row className="flex-wrap items-baseline gap-x-2">
        <Figure className="text-3xl leading-tight">{`${from === null ? '?' : figureText(setting, from, units)} → ${figureText(setting, to, units)}`}</Figure>
        <Words strong>{unitText(setting, to, units)}</Words>
        {mark !== null && <Figure className="text-2xl leading-tight">{mark}</Figure>}
      </Row>
      <Words className="leading-tight">{move.direction}</Words>
    </View>
  );
}

/** A figure to start with; on a machine with marks the mark is what is set. */
function startText(name: SettingName, value: number, dial: Dial | null, units: UnitSystem): string {
  const mark = dialText(dial, value);
  const figure = figureWithUnit(name, value, units);
  return mark === null ? figure : `${SETTINGS[name].short.toLowerCase()} ${mark} (${figure})`;
}

function NoMove({ answer, headline }: { answer: Answer; headline: Headline }) {
  const units = useUnits();
  const { dials } = useBenchRecords();
  const { proven } = useLive();
  const today = useDraftPart((draft) => draft.settings);
  const computed = startingSettings(today, answer.correction);
  // What was sound on a like job goes before what is computed.
  const isEmpty = today.voltageV === undefined && today.wireSpeedMPerMin === undefined;
  const start = Object.entries(isEmpty && proven !== null ? proven.settings : computed) as [SettingName, number][];
  const electrical = start.filter(([name]) => name === 'voltageV' || name === 'wireSpeedMPerMin');
  if (electrical.length > 0)
    return (
      <Words strong numberOfLines={2}>
        {`Start: ${electrical.map(([name, value]) => startText(name, value, dialFor(dials, name), units)).join(', ')}`}
      </Words>
    );
  const [next] = answer.nextChecks;
  if (headline.kind === 'open' && next !== undefined)
    return <Words strong numberOfLines={2}>{`Check first: ${next.name.toLowerCase()}`}</Words>;
  return (
    <Words className="text-faint">
      {headline.kind === 'sound' ? 'Keep these settings.' : 'Run the bead, then look at it.'}
    </Words>
  );
}
