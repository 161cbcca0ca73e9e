import '@/platform/testing/device';
import { waitFor } from '@testing-library/react';
import { InfiniteQueryObserver, QueryObserver } from '@tanstack/react-query';
import type { Changes } from '@/core/record/change/change-schema';
import type { Picture } from '@/core/record/shapes/picture-schema';
import { clearDeviceDatabase } from '@/client/outbox/device-database';
import { resetOutbox, enqueue, undoPending, pendingNow } from '@/client/outbox/outbox';
import { replacePlatform } from '@/platform/ports';
import { sendPicture } from './api';
import { seeChanges } from './change-feed';
import { DAYS, daysAreBehind, picturesKey, recordsClient, seePicture } from './records-client';
import { makeChange } from './send-changes';

const ID = (n: number): string => `0190b000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const NOTHING_NEW: Changes = {
  ...{ rigs: [], coupons: [], beads: [], proven: [], welds: [], levels: [], pictures: [], overriding: [] },
  ...{ upTo: 7, more: false, anew: false },
};

beforeEach(async () => {
  let count = 100;
  await clearDeviceDatabase();
  resetOutbox();
  replacePlatform({ newId: () => ID((count += 1)), now: () => new Date('2026-05-04T09:30:00.000Z') });
});
afterEach(() => replacePlatform(null));

let lists = 0;
/** A list of so many pages that somebody looks at, and how often it was asked for. */
async function looking(pages: number) {
  const client = recordsClient();
  let asked = 0;
  const observer = new InfiniteQueryObserver(client, {
    // The device remembers what earlier ones had.
    queryKey: [...DAYS, 'list', (lists += 1)],
    queryFn: async ({ pageParam }) => {
      asked += 1;
      return { page: pageParam };
    },
    initialPageParam: 0,
    getNextPageParam: ({ page }) => page + 1,
  });
  const stop = observer.subscribe(() => undefined);
  await waitFor(() => expect(observer.getCurrentResult().data?.pages).toHaveLength(1));
  for (let i = 1; i < pages; i += 1) await observer.fetchNextPage();
  asked = 0;
  return { client, observer, asked: () => asked, stop };
}

describe('a list that is looked at while others write', () => {
  it('is asked for anew where little of it was fetched', async () => {
    const { client, asked, stop } = await looking(2);
    daysAreBehind(client);
    await waitFor(() => expect(asked()).toBe(2));
    stop();
  });

  it('is not where it was scrolled far: all its pages would be fetched, one after the other', async () => {
    const { client, asked, observer, stop } = await looking(5);
    daysAreBehind(client);
    await new Promise((later) => setTimeout(later, 30));
    expect([asked(), observer.getCurrentResult().isStale]).toEqual([0, true]);
    stop();
  });

  it('does not lose the page that is coming', async () => {
    const { client, observer, stop } = await looking(1);
    const coming = observer.fetchNextPage();
    daysAreBehind(client);
    expect((await coming).data?.pages).toHaveLength(2);
    stop();
  });

  it('is left alone where nothing was written', async () => {
    const { client, asked, stop } = await looking(1);
    seeChanges(client, NOTHING_NEW);
    await new Promise((later) => setTimeout(later, 30));
    expect(asked()).toBe(0);
    stop();
  });
});

it('what another wrote in great number is asked for anew as a whole', async () => {
  const client = recordsClient();
  let asked = 0;
  const observer = new QueryObserver(client, { queryKey: ['coupon', ID(1)], queryFn: async () => (asked += 1) });
  const stop = observer.subscribe(() => undefined);
  await waitFor(() => expect(asked).toBe(1));
  seeChanges(client, { ...NOTHING_NEW, anew: true });
  await waitFor(() => expect(asked).toBe(2));
  stop();
});

const PICTURE: Picture = {
  ...{ id: ID(5), beadId: ID(2), weldId: null, couponId: ID(1), view: 'face', takenAt: '2026-05-04T09:00:00.000Z' },
  ...{ note: '', file: { hash: 'a'.repeat(64), width: 9, height: 9, bytes: 9 }, measuring: null },
  ...{ takenBack: false, revision: 3 },
};

describe('a photograph', () => {
  const change = () =>
    makeChange(
      'add-picture',
      ID(5),
      { ...{ beadId: ID(2), weldId: null, view: 'face', note: '' }, takenAt: PICTURE.takenAt },
      0,
    );

  it('that another attached stands among those of its coupon, and is gone once it is taken back', async () => {
    const client = recordsClient();
    client.setQueryData(picturesKey({ couponId: ID(1) }), []);
    await seePicture(client, PICTURE);
    expect(client.getQueryData(picturesKey({ couponId: ID(1) }))).toEqual([PICTURE]);
    await seePicture(client, { ...PICTURE, note: 'seen' });
    expect(client.getQueryData(picturesKey({ couponId: ID(1) }))).toEqual([{ ...PICTURE, note: 'seen' }]);
    await seePicture(client, { ...PICTURE, takenBack: true });
    expect(client.getQueryData(picturesKey({ couponId: ID(1) }))).toEqual([]);
  });

  it('is sent with the change that attaches it, as one form', async () => {
    const sent: { path: string; change: unknown; file: unknown }[] = [];
    replacePlatform({
      request: async (path, { body }) => {
        const form = body as FormData;
        sent.push({ path, change: JSON.parse(String(form.get('change'))), file: form.get('file') });
        return { ok: true, json: async () => ({ picture: PICTURE }) } as Response;
      },
    });
    const one = change();
    expect(await sendPicture(one, new Blob(['points']))).toEqual({ picture: PICTURE });
    expect(sent).toEqual([{ path: '/api/pictures', change: one, file: expect.objectContaining({ size: 6 }) }]);
  });

  it('goes with the bead it is of, where that is undone before it was sent', async () => {
    const bead = makeChange('change-bead', ID(2), { note: 'a' }, 0);
    await enqueue([bead, change()]);
    expect(await undoPending(bead.id)).toBe(true);
    expect(pendingNow()).toEqual([]);
  });
});
