import { View } from 'react-native';
import { Words } from './Words';

/** Dark enough for light letters, by day and by night; nobody is told by the colour alone. */
const COLOURS = ['#1e4254', '#6b3f1d', '#3f4f2a', '#5c2a3f', '#2f3e6b', '#5a4a12', '#1f5144', '#4a4a48'] as const;

/** The mark of a person: their initials on their colour. The name stands beside it. */
export function PersonMark({ initials, colour, large = false }: { initials: string; colour: number; large?: boolean }) {
  return (
    <View
      aria-hidden
      style={{ backgroundColor: COLOURS[colour % COLOURS.length] }}
      className={`items-center justify-center rounded-full ${large ? 'h-14 w-14' : 'h-9 w-9'}`}
    >
      <Words strong style={{ color: '#faf9f6' }} className={large ? 'text-xl' : 'text-sm'}>
        {initials}
      </Words>
    </View>
  );
}
