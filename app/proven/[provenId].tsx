import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const ProvenPlace = lazy(() => import('@/features/list-places').then((place) => ({ default: place.ProvenPlace })));

/** One kept setting. */
export default function OneProven() {
  const { provenId } = useLocalSearchParams<{ provenId: string }>();
  return <ProvenPlace provenId={provenId} />;
}
