import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const RigPlace = lazy(() => import('@/features/form-places').then((place) => ({ default: place.RigPlace })));

export default function Habits() {
  return <RigPlace chosen="habits" />;
}
