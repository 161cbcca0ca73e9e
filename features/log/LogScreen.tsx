import { Link, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { FlatList, Pressable, View } from 'react-native';
import { beadAppearance } from '@/core/bead/appearance-of';
import { caseOf } from '@/core/record/case-of';
import type { CouponSummary, RigRecord } from '@/core/record/schema';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { jobWords } from '../bench/job-words';
import { outcomeWords } from '../bench/outcome';
import { usePreferences } from '../preferences/use-preferences';
import { useCoupons, useRigs } from '../records/use-records';
import { dayWords } from './time-words';

type Shown = 'all' | 'sound' | 'open';
const SHOWN: { value: Shown; label: string }[] = [
  { value: 'all', label: 'All' },
  { value: 'sound', label: 'Proven' },
  { value: 'open', label: 'Not sound yet' },
];

const isSound = ({ beads }: CouponSummary): boolean => beads.some(({ outcome }) => outcome === 'sound');

/** Every coupon, newest first. */
export function LogScreen() {
  useTitle('Log');
  const router = useRouter();
  const coupons = useCoupons();
  const rigs = useRigs();
  const [shown, setShown] = useState<Shown>('all');
  const list = useMemo(
    () => coupons.data?.filter((coupon) => shown === 'all' || isSound(coupon) === (shown === 'sound')),
    [coupons.data, shown],
  );
  if (coupons.isError)
    return (
      <StateNote
        title="The log cannot be read"
        text={coupons.error.message}
        action={{ label: 'Try again', onPress: () => void coupons.refetch() }}
      />
    );
  if (list === undefined) return <Loading what="the log" />;
  return (
    <FlatList
      data={list}
      keyExtractor={({ id }) => id}
      contentContainerClassName="w-full max-w-3xl gap-3 self-center p-4"
      ListHeaderComponent={
        <View className="gap-3">
          <Heading level={1}>Log</Heading>
          <Choice label="Which coupons" options={SHOWN} chosen={shown} onChoose={setShown} />
        </View>
      }
      ListEmptyComponent={
        <StateNote
          title={shown === 'all' ? 'Nothing logged yet' : 'None of these'}
          text={
            shown === 'all'
              ? 'Put a coupon on the bench and run a bead; it is kept here.'
              : 'Look at all coupons instead.'
          }
          action={
            shown === 'all'
              ? { label: 'New coupon', onPress: () => router.push('/job/new') }
              : { label: 'All', onPress: () => setShown('all') }
          }
        />
      }
      renderItem={({ item }) => <CouponRow coupon={item} rig={rigs.data?.find(({ id }) => id === item.rigId)} />}
    />
  );
}

function CouponRow({ coupon, rig }: { coupon: CouponSummary; rig: RigRecord | undefined }) {
  const [{ units }] = usePreferences();
  const last = coupon.beads[coupon.beads.length - 1];
  const count = coupon.beads.length;
  const result = isSound(coupon)
    ? `sound after ${coupon.beads.findIndex(({ outcome }) => outcome === 'sound') + 1}`
    : last === undefined
      ? 'no bead yet'
      : outcomeWords(last);
  return (
    <Link href={{ pathname: '/coupon/[couponId]', params: { couponId: coupon.id } }} asChild>
      <Pressable role="link" className="gap-2 rounded-md bg-plate p-3">
        <Row className="items-baseline justify-between gap-2">
          <Words strong className="min-w-0 flex-1 text-lg" numberOfLines={2}>
            {coupon.title}
          </Words>
          <Words className="text-sm">{dayWords(coupon.createdAt)}</Words>
        </Row>
        <Row className="gap-1 overflow-hidden">
          {rig !== undefined &&
            coupon.beads.slice(-4).map((bead) => (
              <View key={bead.id} className="w-20 overflow-hidden rounded-sm">
                <BeadDrawing bead={beadAppearance(caseOf(rig, coupon, bead))} view="top" height={43} />
              </View>
            ))}
        </Row>
        <Words className="text-sm text-faint">{`${jobWords(coupon.job, units)} · ${coupon.rigName}`}</Words>
        <Words strong>{`${count} ${count === 1 ? 'bead' : 'beads'}, ${result}`}</Words>
      </Pressable>
    </Link>
  );
}
