import { useEffect, useState } from 'react';
import { platform } from '@/platform/ports';
import { PixelRatio, View } from 'react-native';
import { CARD_MM, DOTS_PER_MM } from '@/core/school/held-gun';
import { TRUE_SIZE } from '@/client/stored/true-size';
import { store, useStoredPart } from '@/platform/stored';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Heading, Words } from '@/ui/Words';
import { clamp } from '@/core/quantity/clamp';

const AGAINST = [
  { value: 'card', label: 'A bank card, its short side', mm: CARD_MM.short },
  { value: 'rule', label: 'A rule, 40 mm', mm: 40 },
] as const;
/** A second tap within this belongs to the first, and must not land on what comes next, ms. */
const TWICE_MS = 600;
/** Steps of what is drawn, px. */
const STEPS = [-10, -1, 1, 10] as const;

/** Returns what a screen has where it was not measured, px a mm: a phone at 160 a inch, a larger screen at 96. */
const usualPxPerMm = (isWide: boolean): number => (isWide ? 96 : 160) / 25.4;

/**
 * Returns how many of the page's pixels are a mm on this screen, and whether that was measured.
 * @param isWide whether the screen is larger than a phone's
 */
export function usePxPerMm(isWide: boolean): { pxPerMm: number; isMeasured: boolean } {
  const dotsPerMm = useStoredPart(TRUE_SIZE, (kept) => kept.dotsPerMm);
  return {
    pxPerMm: dotsPerMm === null ? usualPxPerMm(isWide) : dotsPerMm / PixelRatio.get(),
    isMeasured: dotsPerMm !== null,
  };
}

/** The screen held against a thing of known size: what is drawn is made as long as it. */
export function ScreenMeasure({ pxPerMm, onDone }: { pxPerMm: number; onDone: () => void }) {
  const [against, setAgainst] = useState<(typeof AGAINST)[number]['value']>('card');
  const { mm } = AGAINST.find(({ value }) => value === against) ?? AGAINST[0];
  const [px, setPx] = useState(pxPerMm * mm);
  const [isKept, setKept] = useState(false);
  const { least, most } = DOTS_PER_MM;
  const within = (wide: number): number => clamp(wide, (least * mm) / PixelRatio.get(), (most * mm) / PixelRatio.get());
  const choose = (next: typeof against): void => {
    const other = AGAINST.find(({ value }) => value === next) ?? AGAINST[0];
    setPx((px * other.mm) / mm);
    setAgainst(next);
  };
  const keep = (): void => {
    store(TRUE_SIZE, { dotsPerMm: (px / mm) * PixelRatio.get() });
    setKept(true);
  };
  useEffect(() => {
    if (!isKept) return;
    return platform().after(TWICE_MS, onDone);
  }, [isKept, onDone]);
  return (
    <View role="region" aria-label="Measure this screen" className="gap-3">
      <Heading level={2}>Measure this screen once</Heading>
      <Words>Hold it against the screen, and make what is drawn as long.</Words>
      <Choice label="Held against the screen" options={AGAINST} chosen={against} onChoose={choose} />
      <View className="overflow-hidden">
        <View
          role="img"
          aria-label={`${Math.round(mm)} mm as this screen shows them now`}
          style={{ width: px }}
          className="h-24 items-center justify-center rounded-md border-2 border-ink"
        >
          <Words strong>{`‹ ${Math.round(mm)} mm ›`}</Words>
        </View>
      </View>
      <Row className="gap-2">
        {STEPS.map((step) => (
          <Button
            key={step}
            label={`${step > 0 ? '+' : '−'}${Math.abs(step)}`}
            aria-label={`${Math.abs(step) === 10 ? 'Much' : 'A little'} ${step > 0 ? 'longer' : 'shorter'}`}
            className="flex-1 px-1"
            onPress={() => setPx((was) => within(was + step))}
          />
        ))}
      </Row>
      <Button tone="act" label={isKept ? 'Kept' : 'It is as long'} disabled={isKept} onPress={keep} />
    </View>
  );
}
