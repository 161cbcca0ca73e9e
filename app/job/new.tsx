import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const JobScreen = lazy(() => import('@/features/form-places').then((place) => ({ default: place.JobScreen })));

export default function NewCoupon() {
  const { rigId } = useLocalSearchParams<{ rigId?: string }>();
  return <JobScreen couponId={null} rigId={rigId ?? null} />;
}
