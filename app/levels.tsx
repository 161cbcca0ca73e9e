import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const LevelsPlace = lazy(() =>
  import('@/features/welds/LevelsPlace').then((place) => ({ default: place.LevelsPlace })),
);

export default function Levels() {
  return <LevelsPlace />;
}
