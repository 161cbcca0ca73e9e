import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const WeldPlace = lazy(() => import('@/features/list-places').then((place) => ({ default: place.WeldPlace })));

export default function Welds() {
  return <WeldPlace weldId={null} />;
}
