import '@/platform/testing/device';
import { waitFor } from '@testing-library/react';
import { clearDeviceDatabase } from '@/client/outbox/device-database';
import { couponKey, recordsClient, seeAnswer } from './records-client';

const KEY = couponKey('a');
const coupon = (revision: number): never => ({ id: 'a', rig: { id: 'r' }, beads: [], revision }) as never;

/** A question whose answers come when they are let go, in the order they were asked. */
function slowly(): { ask: () => Promise<never>; letGo: (i: number, revision: number) => void; asked: () => number } {
  const held: ((value: never) => void)[] = [];
  return {
    ask: () => new Promise<never>((done) => held.push(done)),
    letGo: (i, revision) => held[i](coupon(revision)),
    asked: () => held.length,
  };
}

afterEach(clearDeviceDatabase);

describe('an answer that was on its way when a change was answered', () => {
  it('does not stand over what the change came to', async () => {
    const client = recordsClient();
    const { ask, letGo, asked } = slowly();
    client.setQueryData(KEY, coupon(3));
    void client.fetchQuery({ queryKey: KEY, queryFn: ask, staleTime: 0 }).catch(() => undefined);
    await waitFor(() => expect(asked()).toBe(1));
    await seeAnswer(client, { entry: {} as never, coupon: coupon(5) });
    expect(client.getQueryData(KEY)).toMatchObject({ revision: 5 });
    // Written before the change, and late; then what was asked for anew.
    letGo(0, 4);
    await waitFor(() => expect(asked()).toBe(2));
    expect(client.getQueryData(KEY)).toMatchObject({ revision: 5 });
    letGo(1, 6);
    await waitFor(() => expect(client.getQueryData(KEY)).toMatchObject({ revision: 6 }));
  });

  it('is waited for by who asked first, and asked for anew', async () => {
    const client = recordsClient();
    const { ask, letGo, asked } = slowly();
    const first = client.fetchQuery({ queryKey: KEY, queryFn: ask });
    await waitFor(() => expect(asked()).toBe(1));
    // A bead of a coupon that is not here yet changes nothing that could be shown.
    void seeAnswer(client, { entry: {} as never, bead: { id: 'b', couponId: 'a', revision: 5 } as never });
    letGo(0, 4);
    await expect(first).resolves.toMatchObject({ revision: 4 });
    await waitFor(() => expect(asked()).toBe(2));
    letGo(1, 5);
    await waitFor(() => expect(client.getQueryData(KEY)).toMatchObject({ revision: 5 }));
  });
});
