import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const JoinPlace = lazy(() => import('@/features/access/access-places').then((place) => ({ default: place.JoinPlace })));

export default function Join() {
  return <JoinPlace />;
}
