import { Link } from 'expo-router';
import { useEffect, useMemo, useRef } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { beadAppearance } from '@/core/bead/appearance-of';
import type { Case } from '@/core/case/schema';
import { caseOf } from '@/core/record/case-of';
import type { Bead, CouponSummary, RigRecord } from '@/core/record/schema';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { Words } from '@/ui/Words';
import { outcomeWords } from './outcome';

type StripProps = { coupon: CouponSummary; rig: RigRecord; next: Case };

/** The coupon: every bead on it, drawn side by side and numbered, and the one in work at the end. */
export function CouponStrip({ coupon, rig, next }: StripProps) {
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
        {coupon.beads.map((bead) => (
          <LoggedBead key={bead.id} bead={bead} coupon={coupon} rig={rig} />
        ))}
        <View aria-current="step" className="w-32 rounded-sm border-4 border-act">
          <BeadOnStrip input={next} title={`Bead ${count + 1}, in work`} />
          <Words strong className="bg-act px-2 text-sm text-on-act" numberOfLines={1}>
            {count + 1} now
          </Words>
        </View>
      </ScrollView>
    </View>
  );
}

function LoggedBead({ bead, coupon, rig }: { bead: Bead; coupon: CouponSummary; rig: RigRecord }) {
  const input = useMemo(() => caseOf(rig, coupon, bead), [rig, coupon, bead]);
  const words = outcomeWords(bead);
  return (
    <Link href={{ pathname: '/coupon/[couponId]', params: { couponId: coupon.id, bead: bead.number } }} asChild>
      <Pressable
        role="link"
        aria-label={`Bead ${bead.number}, ${words}`}
        className="w-32 rounded-sm border-4 border-transparent"
      >
        <BeadOnStrip input={input} />
        <Words className="bg-plate px-2 text-sm" numberOfLines={1}>
          <Words strong className="text-sm">
            {bead.number}
          </Words>{' '}
          {words}
        </Words>
      </Pressable>
    </Link>
  );
}

function BeadOnStrip({ input, title }: { input: Case; title?: string }) {
  const bead = useMemo(() => beadAppearance(input), [input]);
  return <BeadDrawing bead={bead} view="top" height={64} {...(title === undefined ? {} : { title })} />;
}
