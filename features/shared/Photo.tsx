import { useState } from 'react';
import { Image, View } from 'react-native';
import type { ShownPicture } from '@/core/record/pending/pending-pictures';
import { Words } from '@/ui/Words';
import { usePictureSource } from '../../client/use-pictures';

type PhotoProps = {
  picture: ShownPicture;
  size: 'whole' | 'small';
  width: number;
  height: number;
  /** What it shows, for those who cannot see it. */
  title: string;
};

/** A photograph, whole within its frame; where its file cannot be had, that is said in its place. */
export function Photo({ picture, size, width, height, title }: PhotoProps) {
  const source = usePictureSource(picture, size);
  const [failed, setFailed] = useState<string | null>(null);
  if (source !== null && failed === source)
    return (
      <View style={{ width, height }} className="items-center justify-center bg-plate p-1">
        <Words className="text-center text-sm leading-tight text-faint">Its file is not here now</Words>
      </View>
    );
  return (
    <View style={{ width, height }} className="bg-plate">
      {source !== null && (
        <Image
          source={{ uri: source }}
          accessibilityLabel={title}
          style={{ width, height }}
          resizeMode="contain"
          onError={() => setFailed(source)}
        />
      )}
    </View>
  );
}
