import { useRouter } from 'expo-router';
import { lazy, Suspense, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { appearanceFrom } from '@/core/bead/appearance';
import { heardLine } from '@/core/hearing/heard-words';
import { dialsOf } from '@/core/record/draft/case-of';
import { moveInWords } from '@/core/record/words/move-words';
import type { ShownPicture } from '@/core/record/pending/pending-pictures';
import { isCheckId } from '@/core/evidence/ids';
import { OUTCOME_WORDS } from '@/core/record/words/outcome';
import type { Bead, Coupon, Setup } from '@/core/record/shapes/record-schema';
import { dialFor } from '@/core/setting/dials';
import { READ_SETTINGS, readingText, SETTING_NAMES, SETTINGS } from '@/core/setting/table';
import { dialText, figureWithUnit } from '@/core/setting/words';
import type { UnitSystem } from '@/core/quantity/units';
import { BENCH_COUPON } from '@/client/stored/device-state';
import { store } from '@/platform/stored';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { likelihoodWords } from '@/ui/temper';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { jobWords } from '../../shared/job-words';
import { fittedWords } from '../../shared/rig-words';
import { useUnits } from '../../shared/use-habits';
import { makeChange } from '../../../client/send-changes';
import { isGone, useCoupon, useSubmit, useWaits } from '../../../client/use-records';
import { PictureStrip } from '../../shared/PictureStrip';
import { usePictures } from '../../../client/use-pictures';
import { CouponHistory } from './CouponHistory';
import { JudgeNote } from './JudgeNote';
import { clockWords, dayWords } from '../../shared/time-words';

type DetailProps = {
  couponId: string;
  /** The number of the one bead to show, or null for all. */
  bead: number | null;
  onAllBeads: () => void;
  /** Whether the page is of this coupon, and not of the log it stands beside. */
  named: boolean;
};

/** One coupon as the record holds it: every bead with its settings, findings, verdict and the change made next. */
export function CouponDetail({ couponId, bead, onAllBeads, named }: DetailProps) {
  const found = useCoupon(couponId);
  const router = useRouter();
  useTitle(named ? (found.data?.title ?? 'Coupon') : 'Log');
  if (isGone(found.error))
    return (
      <StateNote
        title="No such coupon"
        text="It is not in the log of this workshop."
        action={{ label: 'To the log', onPress: () => router.replace('/log') }}
      />
    );
  if (found.error !== null)
    return (
      <StateNote
        title="The coupon cannot be read"
        text={found.error.message}
        action={{ label: 'Try again', onPress: () => void found.refetch() }}
      />
    );
  if (found.data === undefined) return <Loading what="the coupon" />;
  return <CouponRecord coupon={found.data} wanted={bead} onAllBeads={onAllBeads} />;
}

type RecordProps = { coupon: Coupon; wanted: number | null; onAllBeads: () => void };

function CouponRecord({ coupon, wanted, onAllBeads }: RecordProps) {
  const router = useRouter();
  const units = useUnits();
  const { put, busy, problem } = useSubmit();
  const beads = wanted === null ? coupon.beads : coupon.beads.filter(({ number }) => number === wanted);
  const { id, title, createdAt, job, putAway } = coupon;
  const { data: pictures = [] } = usePictures({
    owner: { couponId: id },
    beadIds: coupon.beads.map((bead) => bead.id),
  });
  return (
    <ScrollView contentContainerClassName="w-full max-w-5xl gap-4 self-center p-4 pb-10">
      <View className="gap-1">
        <Heading level={1}>{title}</Heading>
        <Words>{`${jobWords(job.job, units)} · ${coupon.rigName}`}</Words>
        <Words className="text-sm text-faint">{`${dayWords(createdAt)}${putAway ? ', put away' : ''}`}</Words>
        {coupon.jobs.length > 1 && (
          <Words className="text-sm">{`The job was corrected on ${dayWords(job.at)}; beads before that keep what they were run on.`}</Words>
        )}
      </View>
      {beads.length === 0 && <Words role="status">No bead was logged on it.</Words>}
      {beads.map((bead) => (
        <BeadRecord key={bead.id} bead={bead} coupon={coupon} pictures={pictures} />
      ))}
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <CouponHistory coupon={coupon} />
      {coupon.beads.length > 0 && <AsFile coupon={coupon} />}
      <Row className="flex-wrap gap-2">
        {wanted !== null && <Button label="All its beads" onPress={onAllBeads} />}
        <Button label="To the log" onPress={() => router.push('/log')} />
        {coupon.beads.length > 1 && (
          <Button
            label="Side by side"
            onPress={() => router.push({ pathname: '/coupon/[couponId]/beside', params: { couponId: id } })}
          />
        )}
        {coupon.beads.some(({ outcome }) => outcome === 'sound') && (
          <Button
            label="Keep the setting"
            onPress={() => router.push({ pathname: '/coupon/[couponId]/keep', params: { couponId: id } })}
          />
        )}
        {coupon.beads.length > 0 && (
          <Button
            label="Job card"
            onPress={() => router.push({ pathname: '/coupon/[couponId]/card', params: { couponId: id } })}
          />
        )}
        <Button
          label={putAway ? 'Bring it back' : 'Put it away'}
          disabled={busy}
          onPress={() => void put([makeChange('change-coupon', id, { putAway: !putAway }, coupon.revision)])}
        />
        <Button
          tone="act"
          className="flex-1"
          label="Put it on the bench"
          onPress={() => {
            store(BENCH_COUPON, id);
            router.push('/');
          }}
        />
      </Row>
    </ScrollView>
  );
}

/** Every figure with how it was got, and the mark it stood on: "Volts 16.5 V, knob 4, off the knob". */
function settingLines({ settings, readings }: Bead, setup: Setup | undefined, units: UnitSystem): string[] {
  const dials = setup === undefined ? {} : dialsOf(setup);
  return SETTING_NAMES.flatMap((name) => {
    const value = settings[name];
    if (value === undefined) return [];
    const mark = dialText(dialFor(dials, name), value);
    const read = READ_SETTINGS.find((one) => one === name);
    const reading = read === undefined ? undefined : readings[read];
    const parts = [
      `${SETTINGS[name].name} ${figureWithUnit(name, value, units)}`,
      ...(mark === null ? [] : [mark]),
      ...(read === undefined || reading === undefined || reading === 'digital' ? [] : [readingText(read, reading)]),
    ];
    return [parts.join(', ')];
  });
}

/** Who ran it, and who judged it where that was another. */
const byWords = ({ by, outcomeBy }: Bead): string[] => [
  ...(by == null ? [] : [`run by ${by}`]),
  ...(outcomeBy == null || outcomeBy === by ? [] : [`judged by ${outcomeBy}`]),
];

/** Fetched when it is asked for: nobody needs the writing of files to read a log. */
const CouponFiles = lazy(() => import('./CouponFiles'));

function AsFile({ coupon }: { coupon: Coupon }) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <Row>
        <Button label="As a file" onPress={() => setOpen(true)} />
      </Row>
    );
  return (
    <Suspense fallback={<Loading what="the files" />}>
      <CouponFiles coupon={coupon} />
    </Suspense>
  );
}

/** A look with what was seen; a bead logged before that was kept says whether it was as it should be. */
const lookedWords = (name: string, held: 'present' | 'absent'): string =>
  name.includes(':')
    ? name.toLowerCase()
    : `${name.replace('?', '').toLowerCase()}: ${held === 'present' ? 'not right' : 'fine'}`;

function BeadRecord({ bead, coupon, pictures }: { bead: Bead; coupon: Coupon; pictures: readonly ShownPicture[] }) {
  const units = useUnits();
  const wide = useWindowDimensions().width >= 760;
  const setup = coupon.setups.find(({ id }) => id === bead.setupId);
  const job = coupon.jobs.find(({ id }) => id === bead.jobId);
  const named = (state: 'present' | 'absent'): string[] =>
    Object.entries(bead.findings).flatMap(([id, held]) =>
      held === state && !isCheckId(id) ? [(bead.names[id] ?? id.replace(/-/g, ' ')).toLowerCase()] : [],
    );
  const [seen, absent] = [named('present'), named('absent')];
  const looked = Object.entries(bead.findings).flatMap(([id, held]) =>
    held !== 'unknown' && isCheckId(id) ? [lookedWords(bead.names[id] ?? id.replace(/-/g, ' '), held)] : [],
  );
  const waits = useWaits(bead.id);
  return (
    <View role="article" aria-label={`Bead ${bead.number}`} className="gap-3 rounded-md bg-plate p-3">
      <Row className="items-baseline justify-between">
        <Heading
          level={2}
          className="text-xl"
        >{`Bead ${bead.number}${waits ? ' (waits for the server)' : ''}${bead.outcome ? `: ${OUTCOME_WORDS[bead.outcome]}` : ''}`}</Heading>
        <Words className="text-sm">{[clockWords(bead.ranAt), ...byWords(bead)].join(', ')}</Words>
      </Row>
      <View className={`gap-3 ${wide ? 'flex-row' : ''}`}>
        <View className={`overflow-hidden rounded-sm ${wide ? 'w-72' : ''}`}>
          <BeadDrawing
            bead={appearanceFrom(bead.appearance)}
            view="top"
            height={wide ? 120 : 100}
            lengthMm={50}
            title={`Bead ${bead.number} from above`}
          />
        </View>
        <View className="min-w-0 flex-1 gap-1">
          <Words style={{ fontVariant: ['tabular-nums'] }}>{settingLines(bead, setup, units).join(' · ')}</Words>
          {setup !== undefined && (
            <Words className="text-sm text-faint">
              {`Run with ${fittedWords(setup.rig, units)}${setup.assumed ? ' (as it was known later)' : ''}${job === undefined || job.id === coupon.job.id ? '' : `, on ${jobWords(job.job, units)}`}`}
            </Words>
          )}
          {seen.length > 0 && <Words>{`Seen: ${seen.join(', ')}.`}</Words>}
          {absent.length > 0 && <Words className="text-faint">{`Not there: ${absent.join(', ')}.`}</Words>}
          {looked.length > 0 && <Words>{`Looked at: ${looked.join('; ')}.`}</Words>}
          {bead.heard && <Words>{`Recording: ${heardLine(bead.heard)}.`}</Words>}
          {bead.verdict && (
            <Words>{`Verdict: ${bead.verdict.name.toLowerCase()}, ${likelihoodWords(bead.verdict.probability)} (${Math.round(bead.verdict.probability * 100)} %).`}</Words>
          )}
          {bead.move && (
            <Words strong>{`Then: ${moveInWords(bead.move, setup === undefined ? {} : dialsOf(setup), units)}`}</Words>
          )}
          {bead.note !== '' && <Words>{bead.note}</Words>}
          <JudgeNote bead={bead} />
        </View>
      </View>
      <PictureStrip
        of={`Bead ${bead.number}`}
        to={{ couponId: coupon.id, beadId: bead.id }}
        pictures={pictures.filter(({ beadId }) => beadId === bead.id)}
      />
    </View>
  );
}
