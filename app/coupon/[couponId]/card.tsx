import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const JobCard = lazy(() => import('@/features/log/coupon/JobCard').then((place) => ({ default: place.JobCard })));

/** The job card of a coupon, for paper. */
export default function CardOfCoupon() {
  const { couponId } = useLocalSearchParams<{ couponId: string }>();
  return <JobCard key={couponId} couponId={couponId} />;
}
