import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const ChartsPlace = lazy(() =>
  import('@/features/log/charts/ChartsPlace').then((place) => ({ default: place.ChartsPlace })),
);

export default function Charts() {
  return <ChartsPlace />;
}
