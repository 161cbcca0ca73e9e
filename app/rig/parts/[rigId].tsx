import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const RigPlace = lazy(() => import('@/features/rig/RigPlace').then((place) => ({ default: place.RigPlace })));

export default function Parts() {
  const { rigId } = useLocalSearchParams<{ rigId: string }>();
  return <RigPlace chosen={{ rigId, part: 'parts' }} />;
}
