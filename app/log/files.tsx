import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const FilesPlace = lazy(() =>
  import('@/features/log/files/FilesPlace').then((place) => ({ default: place.FilesPlace })),
);

export default function Files() {
  return <FilesPlace />;
}
