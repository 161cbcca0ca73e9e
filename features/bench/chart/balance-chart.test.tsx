import '@/platform/testing/device';
import { render, screen } from '@testing-library/react';
import { LineChart } from 'react-native-chart-kit';
import type { BalanceCurve } from '@/core/arc/balance-curve';
import { BalanceTable } from './BalanceTable';
import { chartScale } from '../../shared/chart-scale';

const CURVE: BalanceCurve = {
  usual: [4, 5, 6].map((wireSpeedMPerMin) => ({
    wireSpeedMPerMin,
    lowV: 10 + wireSpeedMPerMin,
    highV: 12 + wireSpeedMPerMin,
  })),
  learned: [4, 5, 6].map((wireSpeedMPerMin) => ({
    wireSpeedMPerMin,
    lowV: 11 + wireSpeedMPerMin,
    highV: 13 + wireSpeedMPerMin,
  })),
};

describe('what is drawn over the chart', () => {
  it('stands where the library draws its own lines', () => {
    const box = { width: 344, height: 200, left: 44, top: 16 };
    const { container } = render(
      <LineChart
        width={box.width}
        height={box.height}
        data={{ labels: ['', '', ''], datasets: [{ data: [12, 19, 13] }, { data: [10, 20], withDots: false }] }}
        chartConfig={{ color: () => 'black' }}
        withDots={false}
        withShadow={false}
        style={{ paddingRight: box.left, paddingTop: box.top }}
      />,
    );
    const { x, y } = chartScale(box, 3, [4, 6], [10, 20]);
    const drawn = container.querySelector('polyline')!.getAttribute('points')!;
    const points = drawn
      .trim()
      .split(' ')
      .map((pair) => pair.split(',').map(Number));
    [
      [x(4), y(12)],
      [x(5), y(19)],
      [x(6), y(13)],
    ].forEach(([cx, cy], i) => {
      expect(points[i][0]).toBeCloseTo(cx, 6);
      expect(points[i][1]).toBeCloseTo(cy, 6);
    });
  });
});

describe('the chart as a table', () => {
  it('says the band by the laws and on this rig, and every bead', () => {
    render(
      <BalanceTable
        curve={CURVE}
        beads={[{ label: '1', wireSpeedMPerMin: 5, voltageV: 14, outcome: 'better' }]}
        now={{ wireSpeedMPerMin: 5.5, voltageV: 15.26 }}
        next={null}
      />,
    );
    const rows = (name: string): string[] =>
      Array.from(screen.getByRole('table', { name }).querySelectorAll('[role=row]')).map((row) =>
        Array.from(row.children)
          .map((cell) => cell.textContent)
          .join(' | '),
      );
    expect(rows('Volts in balance by wire speed')).toEqual([
      'Wire, m/min | Balance, V | This rig, V',
      '4 | 14.0 to 16.0 | 15.0 to 17.0',
      '6 | 16.0 to 18.0 | 17.0 to 19.0',
    ]);
    expect(rows('Beads by wire speed and volts')).toEqual([
      ' | Wire, m/min | Volts',
      'bead 1, better | 5 | 14.0',
      'this bead | 5.5 | 15.3',
    ]);
  });
});
