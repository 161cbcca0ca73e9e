import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const DevicesPlace = lazy(() =>
  import('@/features/access/access-places').then((place) => ({ default: place.DevicesPlace })),
);

export default function Devices() {
  return <DevicesPlace />;
}
