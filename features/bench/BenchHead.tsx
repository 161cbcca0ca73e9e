import { Link } from 'expo-router';
import { Pressable, useWindowDimensions } from 'react-native';
import { Row } from '@/ui/Row';
import { StateNote } from '@/ui/State';
import { WIDE } from '@/ui/wide';
import { Heading, Words } from '@/ui/Words';
import { jobWords } from '../shared/job-words';
import { fittedWords } from '../shared/rig-words';
import { useUnits } from '../shared/use-habits';
import { useBenchRecords, useSaving } from './state/bench';

/** Which coupon is in work, on which rig; the way to its job, to the parts of the rig, and to a new one. */
export function BenchHead() {
  const { coupon } = useBenchRecords();
  const { problem } = useSaving();
  const units = useUnits();
  const { rig, title } = coupon;
  // A wide screen has room for the whole of it beside the bench; on a phone the bench needs the height.
  const lines = useWindowDimensions().width < WIDE ? 1 : 2;
  return (
    <>
      <Row className="items-start justify-between gap-2 px-4 pt-2">
        <Link href={{ pathname: '/job/[couponId]', params: { couponId: coupon.id } }} asChild>
          <Pressable
            role="link"
            aria-label={`Job: ${title}. Change it`}
            className="min-h-14 min-w-0 flex-1 justify-center"
          >
            <Heading level={1} numberOfLines={lines} className="underline">
              {title}
            </Heading>
            <Words className="text-sm text-faint" numberOfLines={lines}>
              {`${jobWords(coupon.job.job, units)} · ${fittedWords(rig.setup.rig, units)}`}
            </Words>
          </Pressable>
        </Link>
        <Link href={{ pathname: '/rig/[part]/[rigId]', params: { part: 'parts', rigId: rig.id } }} asChild>
          <Pressable
            role="link"
            aria-label={`Parts of ${rig.name}`}
            className="min-h-14 justify-center rounded-md border-2 border-edge bg-plate px-3"
          >
            <Words strong numberOfLines={1} className="max-w-[92px]">
              {rig.name}
            </Words>
          </Pressable>
        </Link>
        <Link href="/job/new" asChild>
          <Pressable
            role="link"
            aria-label="New coupon"
            className="min-h-14 justify-center rounded-md border-2 border-edge bg-plate px-3"
          >
            <Words strong>New</Words>
          </Pressable>
        </Link>
      </Row>
      {problem !== null && <StateNote title="Not saved" text={problem} />}
    </>
  );
}
