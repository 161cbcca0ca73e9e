import { View } from 'react-native';
import type { BalanceCurve } from '@/core/arc/balance-curve';
import { readable, unitOf } from '@/core/quantity/units';
import { OUTCOME_WORDS } from '@/core/record/words/outcome';
import { Words } from '@/ui/Words';
import { useUnits } from '../../shared/use-habits';
import { bandAt, type ChartPoint } from './balance-points';

type Point = Omit<ChartPoint, 'label' | 'outcome'> | null;
type TableProps = { curve: BalanceCurve; beads: readonly ChartPoint[]; now: Point; next: Point };

/** Every so many points of the curve a row. */
const ROWS = 2;
const band = ({ lowV, highV }: { lowV: number; highV: number }): string => `${lowV.toFixed(1)} to ${highV.toFixed(1)}`;

/** The chart as rows of figures. */
export function BalanceTable({ curve: { usual, learned }, beads, now, next }: TableProps) {
  const units = useUnits();
  const speed = (value: number): string => readable(value, 'wireSpeed', units);
  const curveRows = usual
    .filter((_, i) => i % ROWS === 0)
    .map((point) => [
      speed(point.wireSpeedMPerMin),
      band(point),
      ...(learned === null ? [] : [band(bandAt(learned, point.wireSpeedMPerMin))]),
    ]);
  const runs = [
    ...beads.map(({ label, outcome, ...at }) => ({
      name: `bead ${label}${outcome === null ? '' : `, ${OUTCOME_WORDS[outcome]}`}`,
      at,
    })),
    ...(now === null ? [] : [{ name: 'this bead', at: now }]),
    ...(next === null ? [] : [{ name: 'the next', at: next }]),
  ];
  const wire = `Wire, ${unitOf('wireSpeed', units)}`;
  return (
    <View className="gap-3">
      <Table
        name="Volts in balance by wire speed"
        head={[wire, 'Balance, V', ...(learned === null ? [] : ['This rig, V'])]}
        rows={curveRows}
      />
      <Table
        name="Beads by wire speed and volts"
        head={['', wire, 'Volts']}
        rows={runs.map(({ name, at }) => [name, speed(at.wireSpeedMPerMin), at.voltageV.toFixed(1)])}
      />
    </View>
  );
}

function Table({ name, head, rows }: { name: string; head: readonly string[]; rows: readonly (readonly string[])[] }) {
  const line = (cells: readonly string[], role: 'columnheader' | 'cell') => (
    <View role="row" className="flex-row border-b border-edge py-1" key={cells.join(' ')}>
      {cells.map((cell, i) => (
        <View key={i} role={role} className="flex-1">
          <Words strong={role === 'columnheader'}>{cell}</Words>
        </View>
      ))}
    </View>
  );
  return (
    <View role="table" aria-label={name}>
      {line(head, 'columnheader')}
      {rows.map((cells) => line(cells, 'cell'))}
    </View>
  );
}
