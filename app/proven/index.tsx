import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const ProvenPlace = lazy(() => import('@/features/list-places').then((place) => ({ default: place.ProvenPlace })));

export default function Proven() {
  return <ProvenPlace provenId={null} />;
}
