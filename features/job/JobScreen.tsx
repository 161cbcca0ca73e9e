import { useRouter } from 'expo-router';
import { useState } from 'react';
import type { Coupon } from '@/core/record/shapes/record-schema';
import { BENCH_COUPON } from '@/client/stored/device-state';
import { platform } from '@/platform/ports';
import { useStoredPart } from '@/platform/stored';
import { Loading, StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { askAgain, isGone, useCoupon, useNewestCouponId, useRigs } from '../../client/use-records';
import { JobForm } from './JobForm';

/**
 * The job of a coupon: what the plate is.
 * @param couponId null for a new coupon, which begins like the one in work
 * @param rigId the rig that a new coupon is begun for, where that is said
 */
export function JobScreen({ couponId, rigId = null }: { couponId: string | null; rigId?: string | null }) {
  const router = useRouter();
  useTitle(couponId === null ? 'New coupon' : 'Job');
  const rigs = useRigs();
  const inWork = useStoredPart(BENCH_COUPON, (id) => id);
  const newest = useNewestCouponId(couponId === null && inWork === null);
  const likeId = couponId ?? inWork ?? newest.data ?? null;
  const like = useCoupon(likeId);
  const missing = isGone(like.error);
  // Once the form stands, nothing that is fetched meanwhile takes it away with what was typed in it.
  const [begun, setBegun] = useState<{ coupon: Coupon | null; like: Coupon | null } | null>(null);
  const ownRig = couponId === null ? null : (begun?.coupon ?? like.data)?.rigId;
  const usable = rigs.data?.filter(({ id, putAway }) => !putAway || id === ownRig) ?? [];
  if (begun !== null)
    return <JobForm key={couponId ?? 'new'} coupon={begun.coupon} like={begun.like} rigs={usable} rigId={rigId} />;
  if (couponId !== null && missing)
    return (
      <StateNote
        title="No such coupon"
        text="It is not in the log of this workshop."
        action={{ label: 'To the log', onPress: () => router.replace('/log') }}
      />
    );
  // A new coupon begins like the one before where that can be read, and like the usual where it cannot.
  const failed = rigs.error ?? (couponId === null ? null : like.error);
  if (failed !== null)
    return (
      <StateNote
        title="The records cannot be read"
        text={failed.message}
        action={{
          label: 'Try again',
          onPress: () => askAgain([rigs, like]),
        }}
      />
    );
  if (rigs.data === undefined || newest.isLoading || like.isLoading) return <Loading what="the job" />;
  if (usable.length === 0)
    return (
      <StateNote
        title="No rig yet"
        text="Set up a rig first: wire, gas and what its knobs stand for."
        action={{
          label: 'Set up a rig',
          onPress: () => router.push({ pathname: '/rig/[rigId]', params: { rigId: platform().newId() } }),
        }}
      />
    );
  const known = like.data ?? null;
  setBegun({ coupon: couponId === null ? null : known, like: known });
  return null;
}
