import { Link } from 'expo-router';
import { Pressable } from 'react-native';
import { useOutbox } from '@/client/outbox/outbox';
import { Words } from '@/ui/Words';
import { useServerState } from '../../../client/server-state';

/** Returns how what waits stands with the server, in a sentence. */
export function usePendingWords(): string | null {
  const waiting = useOutbox();
  const { away, trouble } = useServerState();
  const refused = waiting.filter((one) => one.refused !== null).length;
  const count = waiting.length - refused;
  const parts = [
    ...(refused > 0 ? [`${refused} ${refused === 1 ? 'change was' : 'changes were'} refused.`] : []),
    ...(count > 0 ? [`${count} ${count === 1 ? 'change waits' : 'changes wait'} for the server.`] : []),
    ...(away ? ['The workshop server cannot be reached; what was last seen is shown.'] : []),
    ...(trouble === null ? [] : [trouble]),
  ];
  return parts.length === 0 ? null : parts.join(' ');
}

/** The way to what waits; nothing while all is sent. */
export function PendingLine() {
  const words = usePendingWords();
  if (words === null) return null;
  return (
    <Link href="/waiting" asChild>
      <Pressable role="link" className="min-h-14 justify-center rounded-md border-2 border-ink bg-plate px-4 py-2">
        <Words strong>{words}</Words>
      </Pressable>
    </Link>
  );
}
