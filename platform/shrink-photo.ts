/** What the server takes as it is. */
const TAKEN = ['image/jpeg', 'image/png', 'image/webp'];
/** The longer side that the server keeps, points: more is not sent. */
const LONGEST = 3200;
/** A file up to so many bytes is sent as it is. */
const LIGHT = 1_500_000;

/**
 * A photograph as it is kept on the device and sent: drawn anew and smaller where it is larger than what is kept, or of a kind
 * that only this device can read. So it takes little room while it waits, and where it was taken leaves the device with no
 * copy of it. What is light already goes as it is, for the server to read.
 * @throws Error where this device cannot show it
 */
export async function shrinkPhoto(file: Blob): Promise<Blob> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    throw new Error('This file is no picture that this device can show. Take a JPEG, PNG or WebP.');
  }
  try {
    const { width, height } = picture;
    const scale = Math.min(1, LONGEST / Math.max(width, height));
    if (scale === 1 && file.size <= LIGHT && TAKEN.includes(file.type)) return file;
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(width * scale);
    canvas.height = Math.round(height * scale);
    const drawing = canvas.getContext('2d');
    if (drawing === null) throw new Error('This device has no room to make the picture smaller.');
    drawing.imageSmoothingQuality = 'high';
    drawing.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const light = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.9));
    if (light === null) throw new Error('This device has no room to make the picture smaller.');
    return light;
  } finally {
    picture.close();
  }
}
