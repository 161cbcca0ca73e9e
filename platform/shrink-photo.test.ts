import { shrinkPhoto } from './shrink-photo';

/** A browser that can show any picture, of a size that the test says; what is drawn anew is 5 bytes. */
function browser(width: number, height: number): { drawn: [number, number][]; closed: () => number } {
  const drawn: [number, number][] = [];
  let closed = 0;
  Object.assign(globalThis, {
    createImageBitmap: async () => ({ width, height, close: () => (closed += 1) }),
  });
  jest.spyOn(document, 'createElement').mockImplementation((): HTMLElement => {
    const canvas = {
      ...{ width: 0, height: 0, getContext: () => ({ drawImage: () => undefined }) },
      toBlob(done: (blob: Blob) => void, type: string) {
        drawn.push([canvas.width, canvas.height]);
        done(new Blob(['small'], { type }));
      },
    };
    return canvas as unknown as HTMLElement;
  });
  return { drawn, closed: () => closed };
}
afterEach(() => jest.restoreAllMocks());

const file = (bytes: number, type = 'image/jpeg'): Blob => new Blob([new Uint8Array(bytes)], { type });

describe('a photograph before it is kept', () => {
  it('goes as it is while it is light and of a kind that the server takes', async () => {
    const { drawn, closed } = browser(3200, 2400);
    const sent = file(900_000, 'image/png');
    expect(await shrinkPhoto(sent)).toBe(sent);
    expect([drawn, closed()]).toEqual([[], 1]);
  });

  it('is drawn smaller where it is larger than what is kept, in its own shape', async () => {
    const { drawn, closed } = browser(4000, 6000);
    const light = await shrinkPhoto(file(900_000));
    expect([light.size, light.type, drawn, closed()]).toEqual([5, 'image/jpeg', [[2133, 3200]], 1]);
  });

  it('is drawn anew where it is heavy, or only this device can read it', async () => {
    const { drawn } = browser(1600, 1200);
    await shrinkPhoto(file(1_600_000));
    await shrinkPhoto(file(1000, 'image/heic'));
    expect(drawn).toEqual([
      [1600, 1200],
      [1600, 1200],
    ]);
  });

  it('that this device cannot show is said to be none', async () => {
    Object.assign(globalThis, { createImageBitmap: () => Promise.reject(new Error('InvalidStateError')) });
    await expect(shrinkPhoto(file(10, 'image/png'))).rejects.toThrow('no picture that this device can show');
  });
});
