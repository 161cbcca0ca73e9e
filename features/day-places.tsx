import { lazy, Suspense, type ReactNode } from 'react';
import { Loading } from '@/ui/State';
import type { Leads } from './log/day-open';
import { DaysPlace } from './log/DaysPlace';

/** Each is fetched with the place that it is otherwise shown in, when a line first leads to it. */
const CouponDetail = lazy(() => import('./log/LogPlace').then((place) => ({ default: place.CouponDetail })));
const ProvenDetail = lazy(() => import('./welds/ProvenPlace').then((place) => ({ default: place.ProvenDetail })));
const WeldDetail = lazy(() => import('./welds/WeldPlace').then((place) => ({ default: place.WeldDetail })));
const RigDetail = lazy(() => import('./form-places').then((place) => ({ default: place.RigDetail })));

function detail({ what, id, bead }: Leads, onAll: () => void): ReactNode {
  switch (what) {
    case 'coupon':
      return <CouponDetail key={id} couponId={id} bead={bead} named onAllBeads={onAll} />;
    case 'proven':
      return <ProvenDetail key={id} provenId={id} named />;
    case 'weld':
      return <WeldDetail key={id} weldId={id} named />;
    default:
      return <RigDetail chosen={{ rigId: id, part: what }} />;
  }
}

/** The days, with whatever a line leads to beside them on a wide screen. */
export function Days() {
  return (
    <DaysPlace
      beside={(leads, onAll) => (
        <Suspense fallback={<Loading what="what this line leads to" />}>{detail(leads, onAll)}</Suspense>
      )}
    />
  );
}
