import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Answer } from '@/core/answer';
import { dueList } from '@/core/care/due';
import { startingSettings } from '@/core/correction/next-settings';
import { MAIN_SETTINGS, type SettingName } from '@/core/setting/table';
import type { OtherStart, Start } from '@/core/start/start';
import { figureWithUnit } from '@/core/setting/words';
import { fittedSince } from '@/core/start/fitted-since';
import { stockNotes, stockOf } from '@/core/start/stock';
import { platform } from '@/platform/ports';
import { GunDrawing } from '@/ui/joint/GunDrawing';
import { Button, Toggle } from '@/ui/Press';
import { Heading, Words } from '@/ui/Words';
import { FigureRow } from '../../shared/FigureRow';
import { FittedSinceNotes } from '../../shared/FittedSinceNotes';
import { jobWords } from '../../shared/job-words';
import { Misfits } from '../../shared/Misfits';
import { proofWords } from '@/core/record/words/proof-words';
import { dayWords } from '../../shared/time-words';
import { TopicNotes } from '../../shared/TopicNotes';
import { useTextIn, useUnits } from '../../shared/use-habits';
import { useCare, useTaken } from '../../../client/use-records';
import { useBenchActions, useBenchRecords, useDraftPart, useLive } from '../state/bench';
import { HoldGunLink } from './HoldGunLink';
import { isShut } from '../state/is-shut';
import SafetyGateCard from './SafetyGateCard';
import {
  expectedWords,
  gunWords,
  paceWords,
  passWords,
  plateHeatWords,
  plugWords,
  runsOf,
  shadeWords,
  SLOPE_WORDS,
  stitchWords,
  timesWords,
} from '../../shared/start-words';

/**
 * Shows what to start with where figures are not known: the first thing an empty bench says. What must happen first stands
 * before it: a question or a stop of the job holds the figures back until it is answered, or said to be done.
 * @param brief the figures alone, without the hand
 */
export default function StartCard({ answer, brief = false }: { answer: Answer; brief?: boolean }) {
  const { takeStart } = useBenchActions();
  const { dials } = useBenchRecords();
  const { proven } = useLive();
  const today = useDraftPart((draft) => draft.settings);
  const figures = Object.entries(startingSettings(today, answer.correction)) as [SettingName, number][];
  const { start } = answer;
  const shown = figures.filter(([name]) => start === null || start.settings[name] !== undefined);
  if (answer.held.length > 0 && !isShut(answer.gate))
    return (
      <View role="region" aria-label="Start with" className="gap-3 rounded-md bg-plate p-3">
        <Heading level={2}>Not yet</Heading>
        <Misfits held={answer.held} beside={[]} />
        <RigLink />
      </View>
    );
  if (shown.length === 0) return start === null ? null : <HowToRun start={start} />;
  return (
    <View role="region" aria-label="Start with" className="gap-3 rounded-md bg-plate p-3">
      <Heading level={2}>Start with</Heading>
      {isShut(answer.gate) ? (
        <SafetyGateCard gate={answer.gate} brief={brief} />
      ) : (
        <>
          <ProvenOne />
          <FigureRow figures={shown} dials={dials} />
          {start === null ? <Beginning answer={answer} /> : <Expected start={start} />}
          {start !== null && <Misfits held={[]} beside={start.misfits} />}
          {start !== null && <Lasts start={start} />}
          {start !== null && <DueOnRig />}
          {start?.otherWay != null && <Other other={start.otherWay} brief={brief} />}
          <Assumed texts={answer.assumed} />
          <Button tone={proven === null ? 'act' : 'plain'} counts label="Use these figures" onPress={takeStart} />
          {brief && <Limits texts={answer.correction.outOfReach} />}
          {start !== null && !brief && <Hand start={start} />}
        </>
      )}
    </View>
  );
}

/** A setting of this rig that was sound on a like job goes before anything that is computed. */
function ProvenOne() {
  const { proven: one } = useLive();
  const { takeBack } = useBenchActions();
  const units = useUnits();
  const { dials, coupon } = useBenchRecords();
  if (one === null) return null;
  const figures = MAIN_SETTINGS.flatMap((name) => {
    const value = one.settings[name];
    return value === undefined ? [] : [[name, value] as const];
  });
  return (
    <View className="gap-2 border-b-2 border-edge pb-3">
      <Words strong>{`Proven on this rig: ${one.title}, bead ${one.number}, ${dayWords(one.ranAt)}`}</Words>
      <Words className="text-sm text-faint">{`${jobWords(one.job, units)}${one.kept === undefined ? '' : ` · ${proofWords(one.kept.how)} by ${one.kept.by}`}`}</Words>
      <FittedSinceNotes found={fittedSince(one.rig, coupon.rig.setup.rig)} />
      <FigureRow figures={figures} dials={dials} />
      <Button counts tone="act" label="Use the proven figures" onPress={() => takeBack(Object.fromEntries(figures))} />
      <Words strong className="pt-2">
        Or as it is computed
      </Words>
    </View>
  );
}

/** The hand alone, once the figures are set and the bead is not run yet. */
function HowToRun({ start }: { start: Start }) {
  return (
    <View role="region" aria-label="How to run it" className="gap-3 rounded-md bg-plate p-3">
      <Heading level={2}>How to run it</Heading>
      <Expected start={start} />
      <Lasts start={start} />
      <Hand start={start} />
    </View>
  );
}

/** The other transfer where both do on this plate: its figures, and why one would take it. */
function Other({ other: { transfer, settings, because }, brief }: { other: OtherStart; brief: boolean }) {
  const units = useUnits();
  const textIn = useTextIn();
  const { dials } = useBenchRecords();
  const name = transfer === 'spray' ? 'Or in spray' : 'Or in short arc';
  const figures = MAIN_SETTINGS.flatMap((setting) => {
    const value = settings[setting];
    return value === undefined ? [] : [[setting, value] as const];
  });
  if (brief)
    return (
      <Words>{`${name}: ${figures.map(([setting, value]) => figureWithUnit(setting, value, units)).join(', ')}.`}</Words>
    );
  return (
    <View className="gap-1">
      <Words strong>{name}</Words>
      <FigureRow label={name} figures={figures} dials={dials} />
      <Words className="text-faint">{textIn(because)}</Words>
    </View>
  );
}

/** The way to the rig, where what does not fit is put right. */
function RigLink() {
  const { rig } = useBenchRecords().coupon;
  return (
    <Link href={{ pathname: '/rig/[rigId]', params: { rigId: rig.id } }} asChild>
      <Button tone="act" label={`To ${rig.name}`} />
    </Link>
  );
}

/** Shows what stands in for what was not said: unknown is not passed off as known. */
function Assumed({ texts }: { texts: readonly string[] }) {
  const textIn = useTextIn();
  return texts.length === 0 ? null : (
    <Words className="text-faint">{textIn(`Not said, so assumed: ${texts.join(', ')}.`)}</Words>
  );
}

/** Shows what machine, wire or position do not allow, and what then. */
function Limits({ texts }: { texts: readonly string[] }) {
  const textIn = useTextIn();
  return texts.map((text) => (
    <Words key={text} strong className="border-l-4 border-ink pl-3">
      {textIn(text)}
    </Words>
  ));
}

/** Where one of the figures is known already, or the wire is not. */
function Beginning({ answer }: { answer: Answer }) {
  const { after } = answer.correction;
  return (
    <Words className="text-faint">
      {answer.arc.currentWantedA === null || !after?.currentA
        ? 'From the middle of what this wire carries: say how thick the plate is for a better start.'
        : `About ${Math.round(after.currentA)} A on this plate. Run a trial bead, then say what it shows.`}
    </Words>
  );
}

function Expected({ start }: { start: Start }) {
  const textIn = useTextIn();
  const { thicknessMm } = useBenchRecords().coupon.job.job;
  return (
    <View className="gap-1">
      <Words strong>{textIn(expectedWords(start))}</Words>
      {thicknessMm === undefined && (
        <Words className="text-faint">
          From the middle of what this wire carries: say how thick the plate is for a better start.
        </Words>
      )}
      {start.notes.map((note) => (
        <Words key={note} strong className="border-l-4 border-ink pl-3">
          {textIn(note)}
        </Words>
      ))}
    </View>
  );
}

/** Shows what is on the spool or in the cylinder and will not last for the weld. */
function Lasts({ start }: { start: Start }) {
  const { rig, job } = useBenchRecords().coupon;
  const taken = useTaken(rig);
  const input = { job: job.job, rig: rig.setup.rig };
  return <Limits texts={stockNotes(input, stockOf(rig.setup.rig, taken), runsOf(start))} />;
}

/** Shows what is due on this machine now, by this shop's own times: said before a bead is run with a worn part. */
function DueOnRig() {
  const { rig } = useBenchRecords().coupon;
  const { data } = useCare(rig.id);
  const due = dueList(data ?? [], platform().now().getTime()).filter(({ state }) => state === 'due');
  if (due.length === 0) return null;
  return (
    <Link
      href={{ pathname: '/rig/[part]/[rigId]', params: { part: 'care', rigId: rig.id } }}
      className="min-h-14 border-l-4 border-ink py-2 pl-3"
    >
      <Words strong>{`Due on ${rig.name}: ${due.map(({ name }) => name.toLowerCase()).join(', ')}.`}</Words>{' '}
      <Words className="text-sm text-faint">{due[0].because}</Words>
    </Link>
  );
}

/** The drawing's width on the narrowest phone. */
const DRAWN = 320;

/** The hand that goes with the figures: gun, pace, passes, stitches, start and end. */
function Hand({ start }: { start: Start }) {
  const textIn = useTextIn();
  const { coupon, dials } = useBenchRecords();
  const [more, setMore] = useState(false);
  const { technique, passes, stitch, plug, times, looksAndSounds, otherSides } = start;
  const pace = plug !== null ? [plugWords(plug)] : stitch === null ? [paceWords(technique)] : [];
  const { joint = 'bead-on-plate', thicknessMm = 3, otherThicknessMm, gapMm = 0 } = coupon.job.job;
  return (
    <View className="gap-3">
      <View
        role="img"
        aria-label={`Gun at ${technique.workAngleDeg}° to the lower part, ${technique.gun === 'square' ? 'square' : `${technique.gun} ${Math.abs(technique.travelAngleDeg)}°`}`}
        className="items-center"
      >
        <GunDrawing
          joint={joint}
          thicknessMm={thicknessMm}
          otherMm={otherThicknessMm ?? thicknessMm}
          gapMm={gapMm}
          workAngleDeg={technique.workAngleDeg}
          travelAngleDeg={technique.travelAngleDeg}
          width={DRAWN}
        />
      </View>
      <TopicNotes label="Gun" lines={[gunWords(technique)]} />
      <HoldGunLink start={start} joint={joint} />
      <TopicNotes label="Aim" lines={[technique.aim]} />
      <TopicNotes label="Run" lines={[technique.run, ...pace]} />
      {plug === null && stitch === null && (
        <Link href={`/school/pace?pace=${Math.round(technique.travelSpeedMmPerMin)}`} asChild>
          <Button label="Practise this pace to a beat" />
        </Link>
      )}
      {passes.length > 1 && <TopicNotes label="Passes" lines={passes.map((pass) => passWords(pass, dials))} />}
      {stitch !== null && <TopicNotes label="Stitch" lines={stitchWords(stitch)} />}
      {otherSides.length > 0 && <TopicNotes label="Or" lines={otherSides} />}
      <TopicNotes label="Heat of the plate" lines={plateHeatWords(start)} />
      <TopicNotes label="Coats" lines={start.protection.coats} />
      <TopicNotes label="Helmet" lines={[shadeWords(start.protection)]} />
      {start.slope !== null && <TopicNotes label="Slope" lines={[SLOPE_WORDS[start.slope]]} />}
      <Toggle label="Start and end of the arc" on={more} onPress={() => setMore(!more)} />
      {more && <TopicNotes label="Start and end" lines={timesWords(times)} />}
      {looksAndSounds !== null && (
        <Words className="text-faint">
          {textIn(`Right when it shows ${looksAndSounds.looks}; sounds like ${looksAndSounds.sounds}.`)}
        </Words>
      )}
    </View>
  );
}
