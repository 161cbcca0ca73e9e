import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { ScrollView, View } from 'react-native';
import type { Answer } from '@/core/answer';
import { dialsOf } from '@/core/record/draft/case-of';
import type { Coupon } from '@/core/record/shapes/record-schema';
import { TURNED_SETTINGS, type SettingName, type Settings } from '@/core/setting/table';
import type { Start } from '@/core/start/start';
import { platform } from '@/platform/ports';
import { GunDrawing } from '@/ui/joint/GunDrawing';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { useAnswer } from '@/workers/use-answer';
import { CautionNotes } from '../../shared/CautionNotes';
import { FigureRow } from '../../shared/FigureRow';
import { jobWords, SURFACE_WORDS } from '../../shared/job-words';
import { supplyWords, wireWords } from '../../shared/rig-words';
import {
  expectedWords,
  gunWords,
  paceWords,
  passWords,
  plateHeatWords,
  plugWords,
  shadeWords,
  stitchWords,
  timesWords,
} from '../../shared/start-words';
import { dayWords } from '../../shared/time-words';
import { TopicNotes } from '../../shared/TopicNotes';
import { useUnits } from '../../shared/use-habits';
import { useCoupon } from '../../../client/use-records';
import { cardBead, cardCase, type CardBead } from './card-bead';

/** One page for the wall or the part: the job, the rig, what is set on it, how the gun is led, and who answers for it. */
export function JobCard({ couponId }: { couponId: string }) {
  const { data: coupon, error } = useCoupon(couponId);
  useTitle(coupon === undefined ? 'Job card' : `${coupon.title}: job card`);
  const router = useRouter();
  const toCoupon = (): void => router.replace({ pathname: '/coupon/[couponId]', params: { couponId } });
  if (error !== null)
    return (
      <StateNote
        title="The card cannot be made"
        text={error.message}
        action={{ label: 'To the log', onPress: () => router.replace('/log') }}
      />
    );
  if (coupon === undefined) return <Loading what="the card" />;
  const of = cardBead(coupon);
  if (of === null)
    return (
      <StateNote
        title="No card without a bead"
        text="Run a trial bead and log it: the card tells what it was run with."
        action={{ label: 'Back', onPress: toCoupon }}
      />
    );
  return <Card coupon={coupon} of={of} onBack={toCoupon} />;
}

function Card({ coupon, of, onBack }: { coupon: Coupon; of: CardBead; onBack: () => void }) {
  const asked = useMemo(() => ({ input: cardCase(of, coupon), lesson: null }), [of, coupon]);
  const { answer } = useAnswer(asked);
  return (
    <ScrollView contentContainerClassName="job-card w-full max-w-3xl gap-4 self-center p-4 pb-10">
      <Head coupon={coupon} of={of} />
      <FigureRow
        label="Set"
        className="border-y-2 border-ink py-3"
        dials={dialsOf(of.setup)}
        figures={figuresOf(of.bead.settings)}
      />
      {answer === null ? <Loading what="how it is run" /> : <HowToRun coupon={coupon} of={of} answer={answer} />}
      <Signed />
      <Row className="no-print gap-2">
        <Button label="Back" onPress={onBack} />
        <Button
          tone="act"
          className="flex-1"
          label="Print"
          disabled={answer === null}
          onPress={() => platform().print()}
        />
      </Row>
    </ScrollView>
  );
}

function Head({ coupon, of: { bead, setup, isSound } }: { coupon: Coupon; of: CardBead }) {
  const units = useUnits();
  const { title, rigName, job } = coupon;
  const surface = (job.job.surface ?? []).map((one) => SURFACE_WORDS[one]).join(', ');
  const { grade } = setup.rig.wire ?? {};
  return (
    <View className="gap-1">
      <Words className="text-sm text-faint">{`Job card, ${dayWords(platform().now().toISOString())}`}</Words>
      <Heading level={1}>{title}</Heading>
      <Words>{[jobWords(job.job, units), surface].filter((words) => words !== '').join(', ')}</Words>
      <Words strong>
        {[
          rigName,
          wireWords(setup.rig, units),
          ...(grade === undefined ? [] : [grade]),
          supplyWords(setup.rig, units),
        ].join(', ')}
      </Words>
      <Words>
        {isSound
          ? `As bead ${bead.number} was run, judged sound, ${dayWords(bead.ranAt)}.`
          : `As bead ${bead.number} was run, ${dayWords(bead.ranAt)}. Not judged sound yet: run a trial bead first.`}
      </Words>
    </View>
  );
}

/** Figures that are set or held, in the order a welder reads them off. */
const figuresOf = (settings: Settings): (readonly [SettingName, number])[] =>
  TURNED_SETTINGS.flatMap((name) => {
    const value = settings[name];
    return value === undefined ? [] : [[name, value] as const];
  });

function HowToRun({ coupon, of, answer }: { coupon: Coupon; of: CardBead; answer: Answer }) {
  const { start, arc, cautions } = answer;
  return (
    <>
      {start !== null && <Hand coupon={coupon} of={of} start={start} arc={arc} />}
      <CautionNotes cautions={cautions} />
    </>
  );
}

/** Two beside each other on paper, one under the other on a phone. */
const SIDE = 'min-w-[280px] flex-1';
/** The drawing's width on the narrowest phone. */
const DRAWN = 320;

function Hand({ coupon, of, start, arc }: { coupon: Coupon; of: CardBead; start: Start; arc: Answer['arc'] }) {
  const { joint = 'bead-on-plate', thicknessMm = 3, otherThicknessMm, gapMm = 0 } = coupon.job.job;
  const { technique, passes, stitch, plug, times } = start;
  const dials = dialsOf(of.setup);
  // The pace of the bead stands among its figures; another beside it would be one too many.
  const isPaced = of.bead.settings.travelSpeedMmPerMin !== undefined;
  const paced = stitch !== null ? stitchWords(stitch) : isPaced ? [] : [paceWords(technique)];
  const pace = plug === null ? paced : [plugWords(plug)];
  return (
    <View className="gap-3">
      <TopicNotes label="Expected" lines={[expectedWords({ ...start, expected: arc })]} />
      <Row className="flex-wrap gap-x-8 gap-y-3">
        <GunDrawing
          joint={joint}
          thicknessMm={thicknessMm}
          otherMm={otherThicknessMm ?? thicknessMm}
          gapMm={gapMm}
          workAngleDeg={technique.workAngleDeg}
          travelAngleDeg={of.bead.settings.travelAngleDeg ?? technique.travelAngleDeg}
          width={DRAWN}
        />
        <View className="min-w-[280px] flex-1 gap-2">
          <TopicNotes label="Gun" lines={[gunWords(technique)]} />
          <TopicNotes label="Aim" lines={[technique.aim]} />
          <TopicNotes label="Run" lines={[technique.run, ...pace]} />
        </View>
      </Row>
      <Row className="flex-wrap items-start gap-x-8 gap-y-3">
        {passes.length > 1 && (
          <TopicNotes className={SIDE} label="Passes" lines={passes.map((pass) => passWords(pass, dials))} />
        )}
        <TopicNotes className={SIDE} label="Start and end" lines={timesWords(times)} />
        <TopicNotes className={SIDE} label="Heat of the plate" lines={plateHeatWords(start)} />
        <TopicNotes className={SIDE} label="Coats" lines={start.protection.coats} />
        <TopicNotes className={SIDE} label="Helmet" lines={[shadeWords(start.protection)]} />
      </Row>
    </View>
  );
}

const LINES = ['Welded by', 'Looked at by', 'Date'];

/** Who answers for the weld, by hand; and what the card is not. */
function Signed() {
  return (
    <View className="gap-2">
      <Row className="gap-6 pt-4">
        {LINES.map((line) => (
          <View key={line} className="flex-1 border-b-2 border-ink pt-6">
            <Words className="text-sm">{line}</Words>
          </View>
        ))}
      </Row>
      <Words className="text-sm text-faint">
        This card helps to set a machine; it approves no weld. Local codes, the procedure and whoever is licensed for it
        come first.
      </Words>
    </View>
  );
}
