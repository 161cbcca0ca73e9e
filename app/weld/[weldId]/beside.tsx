import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const WeldBeside = lazy(() =>
  import('@/features/pictures/BesidePlaces').then((place) => ({ default: place.WeldBeside })),
);

/** Two of a weld's photographs side by side. */
export default function BesideOfWeld() {
  const { weldId } = useLocalSearchParams<{ weldId: string }>();
  return <WeldBeside key={weldId} weldId={weldId} />;
}
