/**
 * The lists of the record, fetched together: they share the package that holds long lists, and what places that are fetched apart
 * share is fetched with the first page, which has no list.
 */
import { lazy, Suspense, type ReactNode } from 'react';
import { Loading } from '@/ui/State';
import { CouponDetail } from './log/coupon/CouponDetail';
import type { Leads } from './log/days/day-open';
import { DaysPlace } from './log/days/DaysPlace';
import { SavedSettingDetail } from './welds/SavedSettingDetail';
import { WeldDetail } from './welds/WeldDetail';

export { LogPlace } from './log/coupon/LogPlace';
export { SavedSettingPlace as ProvenPlace } from './welds/SavedSettingPlace';
export { WeldPlace } from './welds/WeldPlace';

/** Comes with the forms of a rig, when a line first leads to one. */
const RigDetail = lazy(() => import('./form-places').then((place) => ({ default: place.RigDetail })));

function detail({ what, id, bead }: Leads, onAll: () => void): ReactNode {
  switch (what) {
    case 'coupon':
      return <CouponDetail key={id} couponId={id} bead={bead} named onAllBeads={onAll} />;
    case 'proven':
      return <SavedSettingDetail key={id} provenId={id} named />;
    case 'weld':
      return <WeldDetail key={id} weldId={id} named />;
    default:
      return (
        <Suspense fallback={<Loading what="the rig" />}>
          <RigDetail chosen={{ rigId: id, part: what }} />
        </Suspense>
      );
  }
}

/** The days, with whatever a line leads to beside them on a wide screen. */
export const Days = () => <DaysPlace beside={detail} />;
