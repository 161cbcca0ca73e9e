import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const CouponPicture = lazy(() =>
  import('@/features/pictures/PicturePlaces').then((place) => ({ default: place.CouponPicture })),
);

/** A photograph of a coupon: looked at and measured. */
export default function PictureOfCoupon() {
  const { couponId, pictureId } = useLocalSearchParams<{ couponId: string; pictureId: string }>();
  return <CouponPicture key={pictureId} couponId={couponId} pictureId={pictureId} />;
}
