import { View } from 'react-native';
import { Button } from '@/ui/Press';
import { useBenchRecords, useDraftPart, useLive } from './bench';
import { StartCard } from './StartCard';

/** On an empty bench the figures to start with stand before the findings; once they are taken they give way. */
export function StartHere({ onMore }: { onMore: () => void }) {
  const { answer } = useLive();
  const isFirst = useBenchRecords().lastBead === null;
  const isSet = useDraftPart(
    ({ settings }) => settings.voltageV !== undefined || settings.wireSpeedMPerMin !== undefined,
  );
  if (!isFirst || isSet || answer === null || answer.start === null) return null;
  return (
    <View className="gap-2 px-4">
      <StartCard answer={answer} brief />
      <Button label="How to run it" onPress={onMore} />
    </View>
  );
}
