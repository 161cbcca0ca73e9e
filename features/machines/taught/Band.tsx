import { View } from 'react-native';
import { Words } from '@/ui/Words';
import { clamp } from '@/core/quantity/clamp';

type BandProps = {
  /** What is between, and the ends of the scale. */
  low: number;
  high: number;
  /** Middle and spread of what is believed now, and the spread before any bead. */
  at: number;
  spread: number;
  spreadBefore: number;
  /** Thin for a line of a list. */
  thin?: boolean;
};

/** Twice the spread to either side: where it lies nineteen times in twenty. */
const WIDTHS = 2;

/** Shows what is believed of a figure, as a band on a scale; behind it, pale, what is believed of any machine. */
export function Band({ low, high, at, spread, spreadBefore, thin = false }: BandProps) {
  const share = (value: number): number => clamp((100 * (value - low)) / (high - low), 0, 100);
  const span = (middle: number, half: number) => {
    const [left, right] = [share(middle - half), share(middle + half)];
    return { left: `${left}%`, width: `${right - left}%` } as const;
  };
  const middle = (low + high) / 2;
  return (
    <View className={`relative w-full overflow-hidden rounded-sm bg-plate ${thin ? 'h-4' : 'h-10'}`}>
      <View className="absolute bottom-0 top-0 bg-edge opacity-40" style={span(middle, WIDTHS * spreadBefore)} />
      <View className="absolute bottom-0 top-0 bg-act" style={span(at, WIDTHS * spread)} />
      <View className="absolute bottom-0 top-0 w-px bg-ink" style={{ left: `${share(middle)}%` }} />
      <View className="absolute bottom-0 top-0 w-1 bg-on-act" style={{ left: `${share(at)}%` }} />
    </View>
  );
}

/** The ends and the middle of a band's scale in words. */
export function BandScale({ marks }: { marks: readonly [string, string, string] }) {
  return (
    <View className="flex-row justify-between">
      {marks.map((mark) => (
        <Words key={mark} className="text-sm text-faint">
          {mark}
        </Words>
      ))}
    </View>
  );
}
