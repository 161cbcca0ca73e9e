import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';
import { sizesOf } from '@/core/picture/measure';
import { VIEW_WORDS } from '@/core/picture/sizes';
import type { ShownPicture } from '@/core/record/pending/pending-pictures';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { sizeWords } from './size-words';
import { Photo } from './Photo';
import { useUnits } from './use-habits';
import { useAttach } from '../../client/use-pictures';

type StripProps = {
  /** What the pictures are of, for those who hear the page: "Bead 3". */
  of: string;
  to: { couponId: string; beadId: string } | { weldId: string };
  pictures: readonly ShownPicture[];
};

/** Where a picture is looked at and measured. */
const pictureRoute = (to: StripProps['to'], pictureId: string) =>
  'weldId' in to
    ? ({ pathname: '/weld/[weldId]/picture/[pictureId]', params: { weldId: to.weldId, pictureId } } as const)
    : ({ pathname: '/coupon/[couponId]/picture/[pictureId]', params: { couponId: to.couponId, pictureId } } as const);

/** The photographs of a bead or a weld, what was measured in them, and the way to take another. */
export function PictureStrip({ of, to, pictures }: StripProps) {
  const router = useRouter();
  const units = useUnits();
  const { attach, busy, problem } = useAttach();
  const take = async (from: 'camera' | 'files'): Promise<void> => {
    const id = await attach(
      from,
      'weldId' in to ? { beadId: null, weldId: to.weldId } : { beadId: to.beadId, weldId: null },
    );
    if (id !== null) router.push(pictureRoute(to, id));
  };
  const sizes = sizesOf(pictures.map(({ measuring }) => measuring));
  return (
    <View role="group" aria-label={`Photographs of ${of.toLowerCase()}`} className="gap-2">
      {pictures.length > 0 && (
        <Row className="flex-wrap gap-2">
          {pictures.map((picture, i) => {
            const name = `${VIEW_WORDS[picture.view]}${picture.file === null ? ', waits' : ''}`;
            return (
              <Pressable
                key={picture.id}
                role="button"
                aria-label={`Photograph ${i + 1} of ${of.toLowerCase()}: ${name}`}
                onPress={() => router.push(pictureRoute(to, picture.id))}
                className="overflow-hidden rounded-md border-2 border-edge bg-plate"
              >
                <Photo picture={picture} size="small" width={148} height={104} title="" />
                <Words className="px-2 py-1 text-center text-sm leading-tight">{name}</Words>
              </Pressable>
            );
          })}
        </Row>
      )}
      {sizes.length > 0 && (
        <Words style={{ fontVariant: ['tabular-nums'] }}>
          {`Measured in photographs: ${sizes.map((size) => sizeWords(size, units)).join(' · ')}`}
        </Words>
      )}
      {problem !== null && <Words role="alert" strong>{`Not taken. ${problem}`}</Words>}
      <Row className="no-print flex-wrap gap-2">
        <Button
          label="Photograph it"
          aria-label={`Photograph ${of.toLowerCase()}`}
          disabled={busy}
          onPress={() => void take('camera')}
        />
        <Button
          label="From a file"
          aria-label={`Photograph of ${of.toLowerCase()} from a file`}
          disabled={busy}
          onPress={() => void take('files')}
        />
      </Row>
    </View>
  );
}
