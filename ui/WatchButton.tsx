import Square from 'lucide-react-native/icons/square';
import Timer from 'lucide-react-native/icons/timer';
import { Pressable } from 'react-native';
import { useInk } from './use-ink';
import { Figure } from './Words';

type WatchProps = {
  /** Seconds so far while it runs; null while it stands. */
  running: string | null;
  onPress: () => void;
};

/** The button of a stopwatch, large enough for a glove. */
export function WatchButton({ running, onPress }: WatchProps) {
  const [ink, onAct] = [useInk(), useInk('act')];
  const Icon = running === null ? Timer : Square;
  return (
    <Pressable
      role="button"
      aria-label={running === null ? 'Start the watch' : 'Stop the watch'}
      onPress={onPress}
      className={`min-h-20 flex-row items-center justify-center gap-3 rounded-md ${running === null ? 'border-2 border-edge bg-plate' : 'bg-act'}`}
    >
      <Icon size={30} color={running === null ? ink : onAct} />
      <Figure className={`text-3xl ${running === null ? '' : 'text-on-act'}`}>
        {running === null ? 'Start' : `Stop  ${running} s`}
      </Figure>
    </Pressable>
  );
}
