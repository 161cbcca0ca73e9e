import { Link } from 'expo-router';
import type { Joint } from '@/core/case/schema';
import type { Start } from '@/core/start/start';
import { Button } from '@/ui/Press';
import { useBenchRecords, useDraftPart } from '../state/bench';

/** To the drawing of the gun in its true size, with the stick-out that is set (or to start with) and this hand's angles. */
export function HoldGunLink({ start, joint }: { start: Start; joint: Joint }) {
  const { nozzleBoreMm, parts } = useBenchRecords().coupon.rig.setup.rig;
  const set = useDraftPart(({ settings }) => settings.stickOutMm);
  const { travelAngleDeg, workAngleDeg } = start.technique;
  const figures = {
    stickOutMm: set ?? start.settings.stickOutMm,
    nozzleBoreMm,
    tipRecessMm: parts?.tip?.recessMm,
    travelAngleDeg,
    workAngleDeg,
  };
  const known = Object.entries(figures).filter(([, figure]) => figure !== undefined);
  return (
    <Link href={{ pathname: '/school/[part]', params: { part: 'gun', joint, ...Object.fromEntries(known) } }} asChild>
      <Button label="Hold it beside the gun, in true size" />
    </Link>
  );
}
