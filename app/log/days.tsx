import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const DaysPlace = lazy(() => import('@/features/log/DaysPlace').then((place) => ({ default: place.DaysPlace })));

export default function Days() {
  return <DaysPlace />;
}
