import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const SchoolPlace = lazy(() =>
  import('@/features/school/SchoolPlace').then((place) => ({ default: place.SchoolPlace })),
);

export default function School() {
  return <SchoolPlace part={null} />;
}
