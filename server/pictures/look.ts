import readExif from 'exif-reader';
import { createHash } from 'node:crypto';
import sharp, { type Metadata } from 'sharp';
import type { PictureFile } from '../../core/record/shapes/picture-schema';

/** A file that is no picture, or none that is taken; the message is one sentence for whoever sent it. */
export class NotTaken extends Error {}

/** A file as it is sent may be so large: more than any phone makes of one photograph. */
export const PICTURE_LIMIT_MB = 24;
/** Points that are taken, so that a small file cannot fill the memory when it is unpacked. */
const MOST_POINTS = 64_000_000;
/** The longer side that is kept, points: a bead 60 mm long is then drawn fifty points a millimetre. */
const LONGEST = 3200;
/** The longer side of the small one that lists show. */
const SMALL = 480;
/** Unpacking takes so long at most, s. */
const PATIENCE = 20;

/** How each kind of file begins; what it says of itself elsewhere (its name, its type) counts for nothing. */
const BEGINNINGS: readonly [kind: string, is: (file: Buffer) => boolean][] = [
  ['jpeg', (file) => file.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))],
  ['png', (file) => file.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]))],
  ['webp', (file) => file.toString('latin1', 0, 4) === 'RIFF' && file.toString('latin1', 8, 12) === 'WEBP'],
];

function kindOf(file: Buffer): string {
  const kind = BEGINNINGS.find(([, is]) => is(file))?.[0];
  if (kind !== undefined) return kind;
  if (/^\s*(\uFEFF)?</.test(file.toString('utf8', 0, 200)))
    throw new NotTaken('This file is a page or a drawing written as text (HTML, SVG), whatever its name says.');
  throw new NotTaken('This file is no JPEG, PNG or WebP picture, whatever its name says.');
}

/** Where the camera wrote which way is up, it must be readable: a bead on its side would be measured as it lies. */
function requireReadable({ exif }: Metadata): void {
  if (exif === undefined) return;
  let first: object | null | undefined = null;
  try {
    first = readExif(exif).Image;
  } catch {
    // Said below.
  }
  // Where its list of fields lies outside of it, nothing is read.
  if (first === null || first === undefined)
    throw new NotTaken(
      'What the camera wrote into this picture (EXIF) is broken, so that nobody can tell which way is up; save the picture anew and take that one.',
    );
}

async function metadataOf(file: Buffer, kind: string): Promise<Metadata> {
  let metadata: Metadata;
  try {
    metadata = await sharp(file, { limitInputPixels: false }).metadata();
  } catch {
    throw new NotTaken(`This ${kind.toUpperCase()} picture is damaged and cannot be read.`);
  }
  if (metadata.format !== kind)
    throw new NotTaken('This file is no JPEG, PNG or WebP picture, whatever its name says.');
  const { width, height } = metadata;
  if (width * height > MOST_POINTS)
    throw new NotTaken(
      `This picture is ${width} by ${height} points; up to ${MOST_POINTS / 1_000_000} million points are taken.`,
    );
  if (Math.max(width, height) > 20 * Math.min(width, height))
    throw new NotTaken(`This picture is ${width} by ${height} points: it is a strip, not a photograph.`);
  return metadata;
}

/** A picture as it is kept, with the small one for lists. */
export type LookedAt = { file: PictureFile; whole: Buffer; small: Buffer };

const hashOf = (file: Buffer): string => createHash('sha256').update(file).digest('hex');

/** The small one of a picture that is kept. */
const smallOf = (whole: Buffer): Promise<Buffer> =>
  sharp(whole, { limitInputPixels: MOST_POINTS, failOn: 'truncated' })
    .timeout({ seconds: PATIENCE })
    .resize({ width: SMALL, height: SMALL, fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 75 })
    .toBuffer();

/**
 * Reads a picture by what it holds, and makes of it what is kept: upright, at most {@link LONGEST} points long, one picture
 * where it moves, and nothing of what the camera wrote beside it (place, time, owner): only the points are taken over.
 * @throws NotTaken with the reason in one sentence
 */
export async function lookAt(sent: Buffer): Promise<LookedAt> {
  const kind = kindOf(sent);
  requireReadable(await metadataOf(sent, kind));
  try {
    const { data, info } = await sharp(sent, { limitInputPixels: MOST_POINTS, failOn: 'truncated' })
      .timeout({ seconds: PATIENCE })
      .autoOrient()
      .resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .toColourspace('srgb')
      .jpeg({ quality: 90, chromaSubsampling: '4:4:4' })
      .toBuffer({ resolveWithObject: true });
    const file = { hash: hashOf(data), width: info.width, height: info.height, bytes: data.length };
    return { file, whole: data, small: await smallOf(data) };
  } catch {
    throw new NotTaken(`This ${kind.toUpperCase()} picture ends too early or is damaged.`);
  }
}

/**
 * Looks at a file that was kept before, as another workshop wrote it out.
 * @param name the hash it goes by
 * @throws NotTaken where it is not what its name says, or no picture as they are kept
 */
export async function lookAtStored(whole: Buffer, name: string): Promise<LookedAt> {
  if (hashOf(whole) !== name)
    throw new NotTaken('its name is not that of what it holds: it was changed since it was written out');
  if (kindOf(whole) !== 'jpeg') throw new NotTaken('it is no JPEG, and all that is kept here are');
  const { width, height } = await metadataOf(whole, 'jpeg');
  if (Math.max(width, height) > LONGEST) throw new NotTaken('it is larger than any picture that is kept here');
  try {
    return { file: { hash: name, width, height, bytes: whole.length }, whole, small: await smallOf(whole) };
  } catch {
    throw new NotTaken('it ends too early or is damaged');
  }
}
