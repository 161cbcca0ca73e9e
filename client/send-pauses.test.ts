import '@/platform/testing/device';
import { waitFor } from '@testing-library/react';
import { clearDeviceDatabase } from '@/client/outbox/device-database';
import { enqueue, pendingNow, resetOutbox } from '@/client/outbox/outbox';
import { replacePlatform } from '@/platform/ports';
import { heldTimers } from '@/platform/testing/timers';
import { recordsClient } from './records-client';
import { makeChange, startSending } from './send-changes';

const ID = '0190b000-0000-7000-8000-000000000001';
/** A pause between two tries, ms; what is longer is the patience with an answer. */
const isPause = (ms: number): boolean => ms !== 12_000;

let stop: () => void;
beforeEach(async () => {
  await clearDeviceDatabase();
  resetOutbox();
});
afterEach(() => {
  stop();
  replacePlatform(null);
});

it('tries a server that is away the less often the longer it is so, and not before its pause is over', async () => {
  const { timers, held, pass } = heldTimers();
  let tries = 0;
  replacePlatform({
    ...timers,
    request: async () => {
      tries += 1;
      throw new TypeError('Failed to fetch');
    },
  });
  await enqueue([makeChange('change-bead', ID, { note: 'x' }, 3)]);
  stop = startSending(recordsClient());
  const pauses: number[] = [];
  for (let at = 1; at <= 7; at += 1) {
    await waitFor(() => expect(held().filter(isPause)).toHaveLength(1));
    expect(tries).toBe(at);
    pauses.push(...held().filter(isPause));
    pass();
  }
  expect(pauses).toEqual([500, 1000, 2000, 4000, 8000, 15_000, 15_000]);
  expect(pendingNow()).toHaveLength(1);
});
