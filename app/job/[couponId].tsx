import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const JobScreen = lazy(() => import('@/features/form-places').then((place) => ({ default: place.JobScreen })));

export default function Job() {
  const { couponId } = useLocalSearchParams<{ couponId: string }>();
  return <JobScreen key={couponId} couponId={couponId} />;
}
