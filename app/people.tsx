import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const PeoplePlace = lazy(() =>
  import('@/features/access/access-places').then((place) => ({ default: place.PeoplePlace })),
);

export default function People() {
  return <PeoplePlace />;
}
