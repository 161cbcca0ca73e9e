import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const RepairPlace = lazy(() =>
  import('@/features/welds/RepairPlace').then((place) => ({ default: place.RepairPlace })),
);

/** The repair of a weld. */
export default function RepairWeld() {
  const { weldId } = useLocalSearchParams<{ weldId: string }>();
  return <RepairPlace key={weldId} weldId={weldId} />;
}
