import { useLocalSearchParams, useRouter } from 'expo-router';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { beadAppearance } from '@/core/bead/appearance-of';
import { mixName } from '@/core/case/gas-mix';
import type { SettingName } from '@/core/case/schema';
import { cause, evidenceName } from '@/core/knowledge';
import { caseOf } from '@/core/record/case-of';
import type { Bead, CouponSummary, RigRecord } from '@/core/record/schema';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { likelihoodWords } from '@/ui/temper';
import { useTitle } from '@/ui/use-keys';
import { store } from '@/ui/use-stored';
import { Heading, Words } from '@/ui/Words';
import { jobWords } from '../bench/job-words';
import { OUTCOME_WORDS } from '../bench/outcome';
import { figureWithUnit, SETTING_NAME } from '../bench/setting-words';
import { BENCH_COUPON } from '../bench/use-bench';
import { usePreferences } from '../preferences/use-preferences';
import { useCoupons, useRigs } from '../records/use-records';
import { clockWords, dayWords } from './time-words';

/** One coupon as the record holds it: every bead with its settings, findings, verdict and the change made next. */
export function CouponScreen() {
  const { couponId, bead: wanted } = useLocalSearchParams<{ couponId: string; bead?: string }>();
  const coupons = useCoupons();
  const rigs = useRigs();
  const router = useRouter();
  const coupon = coupons.data?.find(({ id }) => id === couponId);
  const rig = rigs.data?.find(({ id }) => id === coupon?.rigId);
  useTitle(coupon?.title ?? 'Coupon');
  if (coupons.isError || rigs.isError)
    return (
      <StateNote
        title="The coupon cannot be read"
        text="The workshop server cannot be reached."
        action={{ label: 'Try again', onPress: () => void Promise.all([coupons.refetch(), rigs.refetch()]) }}
      />
    );
  if (coupons.data === undefined || rigs.data === undefined) return <Loading what="the coupon" />;
  if (coupon === undefined || rig === undefined)
    return (
      <StateNote
        title="No such coupon"
        text="It is not in the log of this workshop."
        action={{ label: 'To the log', onPress: () => router.replace('/log') }}
      />
    );
  return <CouponRecord coupon={coupon} rig={rig} wanted={wanted === undefined ? null : Number(wanted)} />;
}

function CouponRecord({ coupon, rig, wanted }: { coupon: CouponSummary; rig: RigRecord; wanted: number | null }) {
  const router = useRouter();
  const [{ units }] = usePreferences();
  const beads = wanted === null ? coupon.beads : coupon.beads.filter(({ number }) => number === wanted);
  return (
    <ScrollView contentContainerClassName="w-full max-w-5xl gap-4 self-center p-4 pb-10">
      <View className="gap-1">
        <Heading level={1}>{coupon.title}</Heading>
        <Words>{`${jobWords(coupon.job, units)} · ${rig.name}, ${rig.rig.wire?.diameterMm ?? '?'} mm, ${mixName(rig.rig.gas)}`}</Words>
        <Words className="text-sm text-faint">{dayWords(coupon.createdAt)}</Words>
      </View>
      {beads.length === 0 && <Words role="status">No bead was logged on it.</Words>}
      {beads.map((bead) => (
        <BeadRecord key={bead.id} bead={bead} coupon={coupon} rig={rig} />
      ))}
      <Row className="flex-wrap gap-2">
        {wanted !== null && <Button label="All its beads" onPress={() => router.setParams({ bead: undefined })} />}
        <Button label="To the log" onPress={() => router.push('/log')} />
        <Button
          tone="act"
          className="flex-1"
          label="Put it on the bench"
          onPress={() => {
            store(BENCH_COUPON, coupon.id);
            router.push('/');
          }}
        />
      </Row>
    </ScrollView>
  );
}

function BeadRecord({ bead, coupon, rig }: { bead: Bead; coupon: CouponSummary; rig: RigRecord }) {
  const [{ units }] = usePreferences();
  const wide = useWindowDimensions().width >= 760;
  const shape = beadAppearance(caseOf(rig, coupon, bead));
  const named = (state: 'present' | 'absent'): string[] =>
    Object.entries(bead.findings).flatMap(([id, held]) => (held === state ? [evidenceName(id).toLowerCase()] : []));
  const [seen, absent] = [named('present'), named('absent')];
  const settings = Object.entries(bead.settings) as [SettingName, number][];
  return (
    <View role="article" aria-label={`Bead ${bead.number}`} className="gap-3 rounded-md bg-plate p-3">
      <Row className="items-baseline justify-between">
        <Heading
          level={2}
          className="text-xl"
        >{`Bead ${bead.number}${bead.outcome ? `: ${OUTCOME_WORDS[bead.outcome]}` : ''}`}</Heading>
        <Words className="text-sm">{clockWords(bead.ranAt)}</Words>
      </Row>
      <View className={`gap-3 ${wide ? 'flex-row' : ''}`}>
        <View className={`overflow-hidden rounded-sm ${wide ? 'w-80' : ''}`}>
          <BeadDrawing
            bead={shape}
            view="top"
            height={wide ? 120 : 100}
            lengthMm={50}
            title={`Bead ${bead.number} from above`}
          />
        </View>
        <View className="flex-1 gap-1">
          <Words style={{ fontVariant: ['tabular-nums'] }}>
            {settings.map(([name, value]) => `${SETTING_NAME[name]} ${figureWithUnit(name, value, units)}`).join(' · ')}
          </Words>
          {seen.length > 0 && <Words>{`Seen: ${seen.join(', ')}.`}</Words>}
          {absent.length > 0 && <Words className="text-faint">{`Not there: ${absent.join(', ')}.`}</Words>}
          {bead.verdict && (
            <Words>{`Verdict: ${cause(bead.verdict.cause).name.toLowerCase()}, ${likelihoodWords(bead.verdict.probability)} (${Math.round(bead.verdict.probability * 100)} %).`}</Words>
          )}
          {bead.move && <Words strong>{`Then: ${bead.move.text}`}</Words>}
          {bead.note !== '' && <Words>{bead.note}</Words>}
        </View>
      </View>
    </View>
  );
}
