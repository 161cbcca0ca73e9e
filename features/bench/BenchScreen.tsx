import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useWindowDimensions } from 'react-native';
import { BENCH_COUPON } from '@/client/stored/device-state';
import { useStoredPart } from '@/platform/stored';
import { Loading, StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { WIDE } from '@/ui/wide';
import { askAgain, isGone, useCoupon, useNewestCouponId } from '../../client/use-records';
import { BenchProvider } from './state/bench';
import { PhoneBench } from './PhoneBench';
import { usePartsAtHand } from './use-parts-at-hand';
import { WideBench } from './WideBench';

/**
 * The bench: the coupon in work, which is the one that was chosen or touched on this device, or else the one that was the
 * newest when the bench was opened: a coupon that another device begins does not slide under the hands.
 */
export function BenchScreen() {
  usePartsAtHand();
  useTitle('Bench');
  const router = useRouter();
  const { width } = useWindowDimensions();
  const chosen = useStoredPart(BENCH_COUPON, (id) => id);
  const found = useCoupon(chosen);
  // A coupon that was chosen here and is not kept there any more gives way to the newest.
  const gone = isGone(found.error);
  const newest = useNewestCouponId(chosen === null || gone);
  const [held, hold] = useState<string | null>(null);
  if (held === null && typeof newest.data === 'string') hold(newest.data);
  const instead = useCoupon(chosen === null || gone ? (held ?? newest.data ?? null) : null);
  const coupon = (gone ? undefined : found.data) ?? instead.data;

  if (coupon !== undefined)
    return (
      <BenchProvider key={coupon.id} coupon={coupon}>
        {width < WIDE ? <PhoneBench /> : <WideBench />}
      </BenchProvider>
    );
  const failed = (gone ? null : found.error) ?? newest.error ?? instead.error;
  if (failed !== null) {
    return (
      <StateNote
        title="The records cannot be read"
        text={failed.message}
        action={{ label: 'Try again', onPress: () => askAgain([found, newest, instead]) }}
      />
    );
  }
  if (newest.data === null)
    return (
      <StateNote
        title="An empty bench"
        text="Put a coupon on it: say what the plate is and which rig you use."
        action={{ label: 'New coupon', onPress: () => router.push('/job/new') }}
      />
    );
  return <Loading what="the bench" />;
}
