import { View } from 'react-native';
import type { FittedSince } from '@/core/start/fitted-since';
import { Words } from '@/ui/Words';
import { useTextIn } from './use-habits';

/** Shows what is fitted now and was not when a setting was proved, and what that does; nothing where all is the same. */
export function FittedSinceNotes({ found }: { found: readonly FittedSince[] }) {
  const textIn = useTextIn();
  if (found.length === 0) return null;
  return (
    <View role="note" aria-label="Fitted otherwise now" className="gap-2 border-l-4 border-ink pl-3">
      {found.map(({ part, was, is, does }) => (
        <View key={part}>
          <Words strong>{textIn(`${part}: ${was} then, ${is} now`)}</Words>
          <Words>{textIn(does)}</Words>
        </View>
      ))}
    </View>
  );
}
