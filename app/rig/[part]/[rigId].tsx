import { Redirect, useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';
import { isRigPart } from '@/features/machines/machine/rig-places';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const RigPlace = lazy(() => import('@/features/form-places').then((place) => ({ default: place.RigPlace })));

/** One side of a rig: its knobs, gas, chart, parts, what it has taught, or its changing over. */
export default function PartOfRig() {
  const { part, rigId } = useLocalSearchParams<{ part: string; rigId: string }>();
  return isRigPart(part) ? <RigPlace chosen={{ rigId, part }} /> : <Redirect href="/rig" />;
}
