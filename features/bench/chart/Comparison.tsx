import { lazy, Suspense } from 'react';
import { View } from 'react-native';
import type { Answer } from '@/core/answer';
import { readable, unitOf } from '@/core/quantity/units';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { Row } from '@/ui/Row';
import { Heading, Words } from '@/ui/Words';
import { useUnits } from '../../shared/use-habits';
import { useLive } from '../state/bench';

/** Fetched when it is first looked at: the bench is up without it. */
const BalanceChart = lazy(() => import('./BalanceChart'));

/** This bead beside the next, and what the arc model makes of the settings. */
export function Comparison() {
  const { answer } = useLive();
  if (answer === null) return null;
  return (
    <View className="gap-6">
      <BeforeAfter answer={answer} />
      {answer.balance !== null && (
        <Suspense fallback={<View style={{ height: 400 }} />}>
          <BalanceChart />
        </Suspense>
      )}
      <ModelFigures answer={answer} />
    </View>
  );
}

/** The penetration law holds for a standing arc; one further out of balance than this cannot be compared by it. */
const STANDING_ARC_V = 2;

/** A figure with its sign; nothing is not less than nothing. */
const signed = (value: number): string =>
  value
    .toFixed(1)
    .replace(/^-0\.0$/, '0.0')
    .replace('-', '−');

/** Returns what changes from these settings to the next, a line each. */
function changeLines({ correction: { before, after } }: Answer, length: (mm: number) => string): string[] {
  if (before === null || after === null) return [];
  const change = (
    label: string,
    from: number | null,
    to: number | null,
    words: (value: number) => string,
    unit: string,
  ): string[] =>
    from === null || to === null || words(from) === words(to) ? [] : [`${label} ${words(from)} → ${words(to)} ${unit}`];
  const whole = (value: number): string => value.toFixed(0);
  const percent = (share: number | null): number | null => (share === null ? null : share * 100);
  const comparable = Math.abs(before.voltageErrorV ?? 0) < STANDING_ARC_V;
  const depth =
    comparable && before.penetrationMm && after.penetrationMm
      ? (100 * after.penetrationMm) / before.penetrationMm
      : null;
  return [
    ...change('Current', before.currentA, after.currentA, whole, 'A'),
    ...change('Volts off balance', before.voltageErrorV, after.voltageErrorV, signed, 'V'),
    ...change('Arc', before.arcLengthMm, after.arcLengthMm, length, ''),
    ...change('Heat for this plate', percent(before.heatRatio), percent(after.heatRatio), whole, '%'),
    ...(before.transfer === null || after.transfer === null || before.transfer === after.transfer
      ? []
      : [`Transfer ${TRANSFER_WORDS[before.transfer]} → ${TRANSFER_WORDS[after.transfer]}`]),
    ...change('Heat input', before.heatInputKJPerMm, after.heatInputKJPerMm, (value) => value.toFixed(2), 'kJ/mm'),
    ...change('Leg', before.legMm, after.legMm, length, ''),
    ...change('Metal laid down', before.depositionKgPerH, after.depositionKgPerH, (value) => value.toFixed(1), 'kg/h'),
    ...change('Gas, of what is wanted', percent(before.gasShare), percent(after.gasShare), whole, '%'),
    ...(depth === null ? [] : change('Digs in, compared', 100, depth, whole, '%')),
  ];
}

/** The bead as it is and as the corrected settings should lay it, cut through, with what changes. */
function BeforeAfter({ answer }: { answer: Answer }) {
  const units = useUnits();
  if (answer.correction.moves.length === 0 || answer.correction.after === null) return null;
  const lines = changeLines(answer, (mm) => `${readable(mm, 'length', units)} ${unitOf('length', units)}`);
  return (
    <View className="gap-2">
      <Heading level={2}>This bead and the next</Heading>
      <Row className="gap-2">
        <View className="flex-1 gap-1">
          <BeadDrawing bead={answer.appearance.now} view="section" height={110} title="This bead, cut through" />
          <Words className="text-center text-sm">this bead</Words>
        </View>
        <View className="flex-1 gap-1">
          <BeadDrawing bead={answer.appearance.next} view="section" height={110} title="The next bead, cut through" />
          <Words className="text-center text-sm">the next</Words>
        </View>
      </Row>
      {answer.nextBead !== null && (
        <View className="gap-1">
          <Words>
            <Words strong>Should look: </Words>
            {answer.nextBead.looks}
          </Words>
          <Words>
            <Words strong>Should sound: </Words>
            {answer.nextBead.sounds}
          </Words>
        </View>
      )}
      {lines.map((line) => (
        <Words key={line} style={{ fontVariant: ['tabular-nums'] }}>
          {line}
        </Words>
      ))}
      <Words className="text-sm text-faint">
        Drawn from the arc model to compare two settings. It is no proof of fusion.
      </Words>
    </View>
  );
}

const TRANSFER_WORDS: Record<NonNullable<Answer['arc']['transfer']>, string> = {
  'short-circuit': 'short circuit',
  globular: 'globular',
  spray: 'spray',
  pulse: 'pulse',
  tubular: 'tubular wire',
  unstable: 'no steady arc in this gas',
};

/** Shows what the arc model makes of the settings, for those who want to see the numbers behind it. */
function ModelFigures({ answer: { arc } }: { answer: Answer }) {
  const units = useUnits();
  if (arc.currentA === null || arc.balancedVoltageV === null) return null;
  const lines = [
    `${Math.round(arc.currentA)} A at this wire speed and stick-out`,
    `balance ${arc.balancedVoltageV.toFixed(1)} V, ${arc.transfer === null ? '' : TRANSFER_WORDS[arc.transfer]}`,
    ...(arc.heatRatio === null || arc.currentWantedA === null
      ? []
      : [`the plate wants about ${Math.round(arc.currentWantedA)} A: heat ${Math.round(arc.heatRatio * 100)} %`]),
    ...(arc.legMm === null
      ? []
      : [`leg about ${readable(arc.legMm, 'length', units)} ${unitOf('length', units)} at this travel`]),
  ];
  return (
    <View className="gap-1">
      <Heading level={2}>By the arc model</Heading>
      {lines.map((line) => (
        <Words key={line}>{line}</Words>
      ))}
    </View>
  );
}
