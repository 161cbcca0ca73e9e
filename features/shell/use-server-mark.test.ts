import '@/platform/testing/device';
import { act, renderHook } from '@testing-library/react';
import { clearDeviceDatabase } from '@/client/outbox/device-database';
import { dequeue, resetOutbox, enqueue, markRejected, pendingNow } from '@/client/outbox/outbox';
import { replacePlatform } from '@/platform/ports';
import { heldTimers } from '@/platform/testing/timers';
import { makeChange } from '../../client/send-changes';
import { serverAnswered, serverAsksWho, serverAway } from '../../client/server-state';
import { useServerMark } from './use-server-mark';

const ID = (n: number): string => `0190b000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const keep = (n: number) => enqueue([makeChange('change-bead', ID(n), { note: 'x' }, 0)]);
const drop = () => dequeue(pendingNow()[0].seq, null);

let timers: ReturnType<typeof heldTimers>;
beforeEach(async () => {
  await clearDeviceDatabase();
  resetOutbox();
  serverAnswered();
  timers = heldTimers();
  replacePlatform(timers.timers);
});
afterEach(() => replacePlatform(null));

it('says what waits once that lasts, at once while the server is away, and what was refused above all', async () => {
  const { result } = renderHook(useServerMark);
  expect(result.current).toBeNull();
  await act(() => keep(1));
  expect(result.current).toBeNull();
  act(timers.pass);
  expect(result.current).toBe('1 waiting');
  await act(drop);
  expect(result.current).toBeNull();
  await act(() => keep(2));
  expect(result.current).toBeNull();
  act(serverAway);
  expect(result.current).toBe('1 waiting');
  await act(() => keep(3));
  await act(() => markRejected(pendingNow()[0].seq, { code: 'x', detail: 'x' }));
  expect(result.current).toBe('1 refused');
  await act(drop);
  await act(drop);
  expect(result.current).toBe('no server');
  act(serverAsksWho);
  expect(result.current).toBe('not in');
  await act(() => keep(4));
  expect(result.current).toBe('1 waiting');
  await act(drop);
  act(serverAnswered);
  expect(result.current).toBeNull();
});
