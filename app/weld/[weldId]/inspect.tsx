import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const InspectPlace = lazy(() =>
  import('@/features/welds/InspectPlace').then((place) => ({ default: place.InspectPlace })),
);

/** The inspection of a weld. */
export default function InspectWeld() {
  const { weldId } = useLocalSearchParams<{ weldId: string }>();
  return <InspectPlace key={weldId} weldId={weldId} />;
}
