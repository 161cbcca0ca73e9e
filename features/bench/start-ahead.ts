import type { QueryClient } from '@tanstack/react-query';
import { BENCH_COUPON } from '@/client/stored/device-state';
import { stored } from '@/platform/stored';
import { warmUp } from '@/workers/use-answer';
import { fetchAhead } from '../../client/use-records';

/**
 * Begins what the bench waits for while the page is still being put together: the worker, and the coupon in work. What
 * fails here is asked again, and said, by the bench itself.
 */
export function startAhead(client: QueryClient): void {
  warmUp();
  fetchAhead(client, stored(BENCH_COUPON)).catch(() => undefined);
}
