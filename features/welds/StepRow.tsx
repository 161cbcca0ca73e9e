import { Pressable, View } from 'react-native';
import { Words } from '@/ui/Words';

/** One step, ticked by a tap anywhere on it. */
export function StepRow({
  kind,
  text,
  done,
  onPress,
}: {
  kind: string;
  text: string;
  done: boolean;
  onPress: () => void;
}) {
  return (
    <Pressable
      role="checkbox"
      aria-checked={done}
      aria-label={`${kind}: ${text}`}
      onPress={onPress}
      className={`min-h-14 flex-row items-start gap-3 rounded-md border-2 p-2 ${done ? 'border-ink' : 'border-edge'}`}
    >
      <View className={`h-8 w-8 items-center justify-center rounded-sm border-2 border-ink ${done ? 'bg-ink' : ''}`}>
        {done && (
          <Words strong className="text-lg leading-tight text-ground">
            ✓
          </Words>
        )}
      </View>
      <View className="min-w-0 flex-1">
        <Words strong className="text-sm">
          {kind}
        </Words>
        <Words>{text}</Words>
      </View>
    </Pressable>
  );
}
