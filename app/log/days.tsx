import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const Days = lazy(() => import('@/features/list-places').then((place) => ({ default: place.Days })));

export default function DaysRoute() {
  return <Days />;
}
