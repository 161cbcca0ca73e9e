import { useLocalSearchParams, useRouter } from 'expo-router';
import { useDeferredValue } from 'react';
import { useWindowDimensions } from 'react-native';
import { TwoPane } from '@/ui/TwoPane';
import { useTitle } from '@/ui/use-keys';
import { useLeft } from '@/ui/use-left';
import { WIDE } from '@/ui/wide';
import { Words } from '@/ui/Words';
import type { LogFilter } from '../../../client/api';
import { useLog } from '../../../client/use-records';
import { CouponDetail } from './CouponDetail';
import { CouponList } from './CouponList';

const EVERYTHING: LogFilter = { state: 'all', text: '', putAway: false };

/** The coupons of the workshop, newest first, and the one that is looked at. @param couponId null while none is */
export function LogPlace({ couponId }: { couponId: string | null }) {
  useTitle('Log');
  const router = useRouter();
  const { bead } = useLocalSearchParams<{ bead?: string }>();
  const { width } = useWindowDimensions();
  const isWide = width >= WIDE;
  const [filter, setFilter] = useLeft<LogFilter>('which coupons', EVERYTHING);
  // Letters may come faster than pages do; the list follows when there is time.
  const asked = useDeferredValue(filter);
  const log = useLog(asked);
  const firstId = log.data?.[0]?.coupons[0]?.id ?? null;
  // On a wide screen the newest stands open while none is chosen.
  const shown = couponId ?? (isWide ? firstId : null);
  const number = bead === undefined ? null : Number(bead);
  const list = <CouponList log={log} filter={filter} onFilter={setFilter} chosenId={isWide ? shown : null} />;
  if (!isWide && couponId === null) return list;
  const detail =
    shown === null ? (
      <Words className="p-6 text-faint">Choose a coupon to see its beads.</Words>
    ) : (
      <CouponDetail
        key={shown}
        couponId={shown}
        bead={number !== null && Number.isFinite(number) ? number : null}
        named={couponId !== null}
        onAllBeads={() => router.setParams({ bead: undefined })}
      />
    );
  return <TwoPane list={list} detail={detail} chosen={couponId !== null} />;
}
