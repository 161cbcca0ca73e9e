import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const WaitingPlace = lazy(() =>
  import('@/features/log/pending/PendingPlace').then((place) => ({ default: place.PendingPlace })),
);

export default function Waiting() {
  return <WaitingPlace />;
}
