import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const CouponBeside = lazy(() =>
  import('@/features/pictures/BesidePlaces').then((place) => ({ default: place.CouponBeside })),
);

/** Two of a coupon's beads side by side. */
export default function BesideOfCoupon() {
  const { couponId } = useLocalSearchParams<{ couponId: string }>();
  return <CouponBeside key={couponId} couponId={couponId} />;
}
