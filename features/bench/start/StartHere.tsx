import { lazy, Suspense } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/Press';
import { useBenchRecords, useDraftPart, useLive } from '../state/bench';

/** Fetched when there is something to start with. */
const StartCard = lazy(() => import('./StartCard'));

/** On an empty bench the figures to start with stand before the findings; once they are taken they give way. */
export function StartHere({ onMore }: { onMore: () => void }) {
  const { answer } = useLive();
  const isFirst = useBenchRecords().lastBead === null;
  const isSet = useDraftPart(
    ({ settings }) => settings.voltageV !== undefined || settings.wireSpeedMPerMin !== undefined,
  );
  const isHeld = answer !== null && answer.held.length > 0;
  if (!isFirst || isSet || (answer !== null && answer.start === null && !isHeld)) return null;
  return (
    <View className="gap-2 px-4">
      <Suspense fallback={<Place />}>{answer === null ? <Place /> : <StartCard answer={answer} brief />}</Suspense>
      {!isHeld && <Button label="How to run it" onPress={onMore} />}
    </View>
  );
}

/** Where the figures will stand, about as high as they are: what stands under them does not slide away from a thumb. */
const Place = () => <View style={{ height: 315 }} className="rounded-md bg-plate" />;
