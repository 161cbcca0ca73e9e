import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const LogPlace = lazy(() => import('@/features/list-places').then((place) => ({ default: place.LogPlace })));

export default function Log() {
  return <LogPlace couponId={null} />;
}
