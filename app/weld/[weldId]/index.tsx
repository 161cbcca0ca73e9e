import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const WeldPlace = lazy(() => import('@/features/list-places').then((place) => ({ default: place.WeldPlace })));

/** One weld. */
export default function OneWeld() {
  const { weldId } = useLocalSearchParams<{ weldId: string }>();
  return <WeldPlace weldId={weldId} />;
}
