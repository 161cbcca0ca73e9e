import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const LogPlace = lazy(() => import('@/features/list-places').then((place) => ({ default: place.LogPlace })));

export default function OneCoupon() {
  const { couponId } = useLocalSearchParams<{ couponId: string }>();
  return <LogPlace couponId={couponId} />;
}
