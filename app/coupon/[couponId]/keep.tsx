import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const KeepSetting = lazy(() =>
  import('@/features/welds/KeepSetting').then((place) => ({ default: place.KeepSetting })),
);

/** Keeps the setting that a coupon ended in. */
export default function KeepOfCoupon() {
  const { couponId } = useLocalSearchParams<{ couponId: string }>();
  return <KeepSetting key={couponId} couponId={couponId} />;
}
