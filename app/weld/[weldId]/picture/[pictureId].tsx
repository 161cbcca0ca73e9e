import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const WeldPicture = lazy(() =>
  import('@/features/pictures/PicturePlaces').then((place) => ({ default: place.WeldPicture })),
);

/** A photograph of a weld: looked at and measured. */
export default function PictureOfWeld() {
  const { weldId, pictureId } = useLocalSearchParams<{ weldId: string; pictureId: string }>();
  return <WeldPicture key={pictureId} weldId={weldId} pictureId={pictureId} />;
}
