import { View } from 'react-native';
import type { Misfit } from '@/core/start/rig-check';
import { Words } from '@/ui/Words';
import { useTextIn } from './use-habits';

/** Shows what of a rig does not fit: what holds every figure back until it is put right, and what only wears, beside them. */
export function Misfits({ held, beside }: { held: readonly Misfit[]; beside: readonly Misfit[] }) {
  const textIn = useTextIn();
  if (held.length + beside.length === 0) return null;
  return (
    <View className="gap-2">
      {held.length > 0 && <Words strong>Put this right first. The figures wait for it.</Words>}
      {[...held, ...beside].map(({ part, text }) => (
        <Words key={part} strong className="border-l-4 border-ink pl-3">
          {textIn(text)}
        </Words>
      ))}
    </View>
  );
}
