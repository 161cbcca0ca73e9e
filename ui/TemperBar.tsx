import { View } from 'react-native';
import { temperColour } from './temper';

/** A band as long and as far up the temper scale as a share is; the word or figure stands beside it. */
export function TemperBar({ share, className = '' }: { share: number; className?: string }) {
  return (
    <View aria-hidden className={`h-3 overflow-hidden rounded-sm bg-sunk ${className}`}>
      <View style={{ width: `${Math.round(share * 100)}%`, backgroundColor: temperColour(share) }} className="h-3" />
    </View>
  );
}
