import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const TrustPlace = lazy(() =>
  import('@/features/access/access-places').then((place) => ({ default: place.TrustPlace })),
);

export default function Trust() {
  return <TrustPlace />;
}
