import { useRouter } from 'expo-router';
import type { Job } from '@/core/case/schema';
import type { ShownPicture } from '@/core/record/pending/pending-pictures';
import { Loading, StateNote } from '@/ui/State';
import { usePictures, type PictureOf } from '../../client/use-pictures';
import { useCoupon } from '../../client/use-records';
import { useWeld } from '../../client/use-welds';
import { MeasurePlace } from './MeasurePlace';

/** One photograph of a coupon's beads. */
export function CouponPicture({ couponId, pictureId }: { couponId: string; pictureId: string }) {
  const { data: coupon, error } = useCoupon(couponId);
  const back = { label: 'To the coupon', href: `/coupon/${couponId}` };
  if (error !== null) return <Gone back={back} />;
  if (coupon === undefined) return <Loading what="the coupon" />;
  const numberOf = (picture: ShownPicture): number | undefined =>
    coupon.beads.find(({ id }) => id === picture.beadId)?.number;
  const jobOf = (picture: ShownPicture): Job => {
    const bead = coupon.beads.find(({ id }) => id === picture.beadId);
    return (coupon.jobs.find(({ id }) => id === bead?.jobId) ?? coupon.job).job;
  };
  return (
    <Found
      of={{ owner: { couponId }, beadIds: coupon.beads.map(({ id }) => id) }}
      pictureId={pictureId}
      back={back}
      name={(picture) => `Bead ${numberOf(picture) ?? ''}`}
      job={jobOf}
    />
  );
}

/** One photograph of a weld. */
export function WeldPicture({ weldId, pictureId }: { weldId: string; pictureId: string }) {
  const { data: weld, error } = useWeld(weldId);
  const back = { label: 'To the weld', href: `/weld/${weldId}` };
  if (error !== null) return <Gone back={back} />;
  if (weld === undefined) return <Loading what="the weld" />;
  return (
    <Found
      of={{ owner: { weldId }, beadIds: [] }}
      pictureId={pictureId}
      back={back}
      name={() => weld.title}
      job={() => weld.job}
    />
  );
}

type FoundProps = {
  of: PictureOf;
  pictureId: string;
  back: { label: string; href: string };
  name: (picture: ShownPicture) => string;
  job: (picture: ShownPicture) => Job;
};

function Found({ of, pictureId, back, name, job }: FoundProps) {
  const { data: pictures } = usePictures(of);
  if (pictures === undefined) return <Loading what="the photograph" />;
  const picture = pictures.find(({ id }) => id === pictureId);
  if (picture === undefined) return <Gone back={back} />;
  return <MeasurePlace key={pictureId} picture={picture} of={name(picture)} job={job(picture)} back={back} />;
}

function Gone({ back }: { back: { label: string; href: string } }) {
  const router = useRouter();
  return (
    <StateNote
      title="No such photograph"
      text="It is not in the log of this workshop, or was taken back."
      action={{ label: back.label, onPress: () => router.replace(back.href as never) }}
    />
  );
}
