import '@/platform/testing/device';
import { waitFor } from '@testing-library/react';
import type { Changes } from '@/core/record/change/change-schema';
import { replacePlatform } from '@/platform/ports';
import { quickTimers } from '@/platform/testing/timers';
import { startListening } from './change-feed';
import { recordsClient } from './records-client';

let stop: () => void = () => undefined;
afterEach(() => {
  stop();
  replacePlatform(null);
});

it('a server that was put back to an earlier day is read anew from the beginning', async () => {
  const since: string[] = [];
  const told = [61, 30, 31];
  const nothing: Omit<Changes, 'upTo'> = {
    ...{ rigs: [], coupons: [], beads: [], proven: [], welds: [], levels: [], pictures: [], overriding: [] },
    ...{ more: false, anew: false },
  };
  const answerTo = (path: string): unknown => {
    if (path === '/api/health') return { ok: true, revision: 60 };
    if (path === '/api/rigs') return [];
    return path.startsWith('/api/changes') ? { ...nothing, upTo: told[since.length - 1] } : { coupons: [], next: null };
  };
  replacePlatform({
    ...quickTimers,
    request: async (path) => {
      if (path.startsWith('/api/changes')) since.push(new URL(path, 'http://x').searchParams.get('since')!);
      // The server waits where there is nothing new.
      if (since.length > told.length) await new Promise(() => undefined);
      return { ok: true, status: 200, json: async () => answerTo(path) } as Response;
    },
  });
  stop = startListening(recordsClient());
  await waitFor(() => expect(since).toHaveLength(4));
  expect(since).toEqual(['10', '61', '0', '31']);
});
