import { Link } from 'expo-router';
import { memo, useEffect, useRef } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { appearanceFrom, SOUND_BEAD } from '@/core/bead/appearance';
import { firstShown, outcomeWords } from '@/core/record/words/outcome';
import type { Bead } from '@/core/record/shapes/record-schema';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { Words } from '@/ui/Words';
import { useWaits } from '../../client/use-records';
import { useBenchRecords, useLive } from './state/bench';

/** Beads drawn at once; the older ones of a long coupon stand in its record. */
const MOST_DRAWN = 12;

/** The coupon: its beads drawn side by side as they were logged and numbered, and the one in work at the end. */
export function CouponStrip() {
  const { coupon } = useBenchRecords();
  const scroll = useRef<ScrollView>(null);
  const count = coupon.beads.length;
  useEffect(() => scroll.current?.scrollToEnd({ animated: false }), [count]);
  return (
    <View role="region" aria-label={`Coupon: ${coupon.title}`}>
      <ScrollView
        ref={scroll}
        horizontal
        showsHorizontalScrollIndicator={false}
        contentContainerClassName="gap-1 px-4 py-1"
      >
        {count > MOST_DRAWN && (
          <Link href={{ pathname: '/coupon/[couponId]', params: { couponId: coupon.id } }} asChild>
            <Pressable role="link" className="w-24 justify-center rounded-sm bg-plate px-2">
              <Words className="text-sm">{`${count - MOST_DRAWN} before these`}</Words>
            </Pressable>
          </Link>
        )}
        {coupon.beads.slice(-MOST_DRAWN).map((bead) => (
          <LoggedBead key={bead.id} bead={bead} />
        ))}
        <BeadInWork number={coupon.nextNumber} />
      </ScrollView>
    </View>
  );
}

function BeadInWork({ number }: { number: number }) {
  const { answer } = useLive();
  return (
    <View aria-current="step" className="w-32 rounded-sm border-4 border-act">
      <BeadDrawing
        bead={answer?.appearance.now ?? SOUND_BEAD}
        view="top"
        height={64}
        title={`Bead ${number}, in work`}
      />
      <Words strong className="bg-act px-2 text-sm text-on-act" numberOfLines={1}>
        {number} now
      </Words>
    </View>
  );
}

const LoggedBead = memo(function LoggedBead({ bead }: { bead: Bead }) {
  const words = outcomeWords({ outcome: bead.outcome, shows: firstShown(bead) });
  const mark = `${bead.number}${useWaits(bead.id) ? ' waits' : ''}`;
  return (
    <Link
      href={{ pathname: '/coupon/[couponId]', params: { couponId: bead.couponId, bead: String(bead.number) } }}
      asChild
    >
      <Pressable
        role="link"
        aria-label={`Bead ${mark}, ${words}`}
        className="w-32 rounded-sm border-4 border-transparent"
      >
        <BeadDrawing bead={appearanceFrom(bead.appearance)} view="top" height={64} />
        <Words className="bg-plate px-2 text-sm" numberOfLines={1}>
          <Words strong className="text-sm">
            {mark}
          </Words>{' '}
          {words}
        </Words>
      </Pressable>
    </Link>
  );
});
