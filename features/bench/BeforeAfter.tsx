import { useMemo } from 'react';
import { View } from 'react-native';
import type { Answer } from '@/core/answer';
import { beadAppearance } from '@/core/bead/appearance-of';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { Row } from '@/ui/Row';
import { Heading, Words } from '@/ui/Words';
import type { Bench } from './use-bench';

/** The bead as it is and as the corrected settings should lay it, cut through, with what changes. */
export function BeforeAfter({ bench, answer }: { bench: Bench; answer: Answer }) {
  const { settings, before, after, moves } = answer.correction;
  const { input } = bench;
  const now = useMemo(() => beadAppearance(input), [input]);
  const then = useMemo(() => beadAppearance({ ...input, settings, findings: {} }), [input, settings]);
  if (moves.length === 0 || before === null || after === null) return null;
  const change = (
    label: string,
    from: number | null,
    to: number | null,
    digits: number,
    unit: string,
  ): string | null =>
    from === null || to === null || from.toFixed(digits) === to.toFixed(digits)
      ? null
      : `${label} ${from.toFixed(digits)} → ${to.toFixed(digits)} ${unit}`;
  const percent = (share: number | null): number | null => (share === null ? null : share * 100);
  // The penetration law holds for a standing arc; a stubbing or hissing one cannot be compared by it.
  const comparable = Math.abs(before.voltageErrorV ?? 0) < 2;
  const lines = [
    change('Current', before.currentA, after.currentA, 0, 'A'),
    change('Volts off balance', before.voltageErrorV, after.voltageErrorV, 1, 'V'),
    change('Heat for this plate', percent(before.heatRatio), percent(after.heatRatio), 0, '%'),
    change('Leg', before.legMm, after.legMm, 1, 'mm'),
    comparable && before.penetrationMm && after.penetrationMm
      ? change('Digs in, compared', 100, (100 * after.penetrationMm) / before.penetrationMm, 0, '%')
      : null,
  ].filter((line): line is string => typeof line === 'string');
  return (
    <View className="gap-2">
      <Heading level={2}>This bead and the next</Heading>
      <Row className="gap-2">
        <View className="flex-1 gap-1">
          <BeadDrawing bead={now} view="section" height={110} title="This bead, cut through" />
          <Words className="text-center text-sm">this bead</Words>
        </View>
        <View className="flex-1 gap-1">
          <BeadDrawing bead={then} view="section" height={110} title="The next bead, cut through" />
          <Words className="text-center text-sm">the next</Words>
        </View>
      </Row>
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
