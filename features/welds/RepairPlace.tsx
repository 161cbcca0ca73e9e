import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { CASE_FORMAT } from '@/core/case/terms';
import type { Case } from '@/core/case/schema';
import type { Defect } from '@/core/inspection/defects';
import { dialsOf } from '@/core/record/draft/case-of';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import type { Inspection, Weld } from '@/core/record/shapes/weld-schema';
import { repairPlan, type RepairPlan, type StepKind } from '@/core/repair/plan';
import { MAIN_SETTINGS, type Settings } from '@/core/setting/table';
import { repairOn, WHO } from '@/client/stored/work-drafts';
import { platform } from '@/platform/ports';
import { useStored } from '@/platform/stored';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { useAnswer } from '@/workers/use-answer';
import { CautionNotes } from '../shared/CautionNotes';
import { FigureRow } from '../shared/FigureRow';
import { makeChange } from '../../client/send-changes';
import { Misfits } from '../shared/Misfits';
import { useHabits, useTextIn } from '../shared/use-habits';
import { useLeadOn } from '../shared/use-lead-on';
import { useRigs, useSubmit } from '../../client/use-records';
import { useWeld } from '../../client/use-welds';
import { StepRow } from './StepRow';

const KIND_WORDS: Record<StepKind, string> = {
  'take-out': 'Take out',
  prove: 'Is it out?',
  prepare: 'Make ready',
  weld: 'Weld',
  cool: 'Cool',
  look: 'Look again',
  restore: 'Coat again',
};

/** Shows how what was over its limit is put right: one plan a defect, ticked step by step, with the figures for it. */
export function RepairPlace({ weldId }: { weldId: string }) {
  useTitle('Repair');
  const router = useRouter();
  const leadOn = useLeadOn();
  const { data: weld, error } = useWeld(weldId);
  const rigs = useRigs().data;
  const toWeld = (): void => leadOn({ pathname: '/weld/[weldId]', params: { weldId } });
  if (error !== null)
    return (
      <StateNote
        title="The weld cannot be read"
        text={error.message}
        action={{ label: 'To the welds', onPress: () => router.replace('/weld') }}
      />
    );
  if (weld === undefined) return <Loading what="the weld" />;
  const inspection = weld.inspections.at(-1);
  if (inspection === undefined || weld.state !== 'repair')
    return (
      <StateNote
        title="Nothing to repair"
        text="What is repaired is what an inspection found over its limit."
        action={{ label: 'To the weld', onPress: toWeld }}
      />
    );
  const rig = rigs?.find(({ id }) => id === weld.rigId) ?? null;
  return <Plans key={inspection.id} weld={weld} inspection={inspection} rig={rig} onDone={toWeld} />;
}

type PlansProps = { weld: Weld; inspection: Inspection; rig: RigRecord | null; onDone: () => void };

const stepKey = (defect: Defect, index: number): string => `${defect} ${index}`;

function Plans({ weld, inspection, rig, onDone }: PlansProps) {
  const [ticked, setTicked] = useStored(repairOn(inspection.id));
  const [who, setWho] = useStored(WHO);
  const [note, setNote] = useState('');
  const [tried, setTried] = useState(false);
  const [laid, setLaid] = useState<Settings>({});
  // Two taps where one was meant are one repair.
  const [id] = useState(() => platform().newId());
  const { put, busy, problem } = useSubmit();
  const plans = useMemo(() => {
    const defects = [...new Set(inspection.judged.lines.filter(({ over }) => over).map(({ defect }) => defect))];
    return defects.map((defect) => repairPlan(defect, { job: weld.job, measured: inspection.measured }));
  }, [weld.job, inspection]);
  const done = plans.flatMap(({ defect, steps }) =>
    steps.filter((_, i) => ticked.includes(stepKey(defect, i))).map(({ text }) => text),
  );
  const stops = plans.filter(({ stop }) => stop !== null);
  const noName = who.trim() === '' ? 'Whoever repaired it: name or initials.' : null;
  const noStep = done.length === 0 ? 'Tick what was done: a repair without a step is none.' : null;
  const save = async (): Promise<void> => {
    setTried(true);
    if (noName !== null || noStep !== null) return;
    const fields = {
      ...{ id, inspectionId: inspection.id, repairedAt: platform().now().toISOString(), by: who.trim() },
      ...{ defects: plans.map(({ defect }) => defect), done: [...new Set(done)], settings: laid, note },
    };
    if (!(await put([makeChange('repair', weld.id, fields, weld.revision, id)]))) return;
    setTicked([]);
    onDone();
  };
  const tick = (key: string): void =>
    setTicked(ticked.includes(key) ? ticked.filter((one) => one !== key) : [...ticked, key]);
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-4 self-center p-4 pb-10">
      <Heading level={1}>{`Repair: ${weld.title}`}</Heading>
      <Words>{inspection.judged.because}</Words>
      {stops.map(({ defect, stop }) => (
        <View key={defect} role="alert" className="rounded-md bg-stop p-3">
          <Words strong className="text-on-stop">
            {stop}
          </Words>
        </View>
      ))}
      {plans.map((plan) => (
        <Plan
          key={plan.defect}
          plan={plan}
          alone={plans.length === 1}
          rig={rig}
          ticked={ticked}
          onTick={tick}
          onFigures={setLaid}
        />
      ))}
      <TextField label="Note" value={note} onChange={setNote} maxLength={1000} lines={2} />
      <TextField label="Repaired by" value={who} onChange={setWho} maxLength={60} problem={tried ? noName : null} />
      {tried && noStep !== null && (
        <Words role="alert" strong>
          {noStep}
        </Words>
      )}
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <Row className="gap-2">
        <Button label="Leave it" onPress={onDone} />
        <Button tone="act" className="flex-1" label="It is repaired" disabled={busy} onPress={() => void save()} />
      </Row>
    </ScrollView>
  );
}

type PlanProps = {
  plan: RepairPlan;
  /** Whether it is the only one: its figures are then worked out unasked. */
  alone: boolean;
  rig: RigRecord | null;
  ticked: readonly string[];
  onTick: (key: string) => void;
  onFigures: (settings: Settings) => void;
};

function Plan({ plan, alone, rig, ticked, onTick, onFigures }: PlanProps) {
  const textIn = useTextIn();
  const { defect, name, steps, weld } = plan;
  if (steps.length === 0) return null;
  return (
    <View role="region" aria-label={name} className="gap-2 rounded-md bg-plate p-3">
      <Heading level={2}>{name}</Heading>
      {steps.map(({ kind, text }, i) => {
        const key = stepKey(defect, i);
        return (
          <View key={key} className="gap-2">
            <StepRow
              kind={KIND_WORDS[kind]}
              text={textIn(text)}
              done={ticked.includes(key)}
              onPress={() => onTick(key)}
            />
            {kind === 'weld' && weld !== null && rig !== null && (
              <AskedFigures job={weld} rig={rig} onFigures={onFigures} atOnce={alone} />
            )}
          </View>
        );
      })}
    </View>
  );
}

type FiguresProps = {
  job: NonNullable<RepairPlan['weld']>;
  rig: RigRecord;
  onFigures: (settings: Settings) => void;
};

/** Several plans are not all worked out at once: each takes a worker of its own. */
function AskedFigures({ atOnce, ...of }: FiguresProps & { atOnce: boolean }) {
  const [asked, setAsked] = useState(atOnce);
  if (asked) return <Figures {...of} />;
  return (
    <Row>
      <Button label="Figures for this" onPress={() => setAsked(true)} />
    </Row>
  );
}

/** The figures that the place is welded with: computed for the groove or the pass, on what is fitted now. */
function Figures({ job, rig, onFigures }: FiguresProps) {
  const [{ schools }] = useHabits();
  const textIn = useTextIn();
  const asked = useMemo(() => {
    const input: Case = { format: CASE_FORMAT, job, rig: rig.setup.rig, preferences: schools };
    return { input, lesson: null };
  }, [job, rig, schools]);
  const { answer } = useAnswer(asked);
  const start = answer?.start ?? null;
  if (answer !== null && answer.held.length > 0) return <Misfits held={answer.held} beside={[]} />;
  if (start === null) return <Words className="text-faint">Working out the figures…</Words>;
  const figures = MAIN_SETTINGS.flatMap((name) => {
    const value = start.settings[name];
    return value === undefined ? [] : [[name, value] as const];
  });
  const root = start.passes.find(({ kind }) => kind === 'root')?.settings ?? {};
  const rootFigures = MAIN_SETTINGS.flatMap((name) => {
    const value = (root as Settings)[name];
    return value === undefined ? [] : [[name, value] as const];
  });
  return (
    <View className="gap-2 border-l-4 border-ink pl-3">
      <FigureRow label={`Figures on ${rig.name}`} dials={dialsOf(rig.setup)} figures={figures} />
      {rootFigures.length > 0 && (
        <>
          <Words strong>The first pass, over the gap</Words>
          <FigureRow label="The first pass, over the gap" dials={dialsOf(rig.setup)} figures={rootFigures} />
        </>
      )}
      {start.outOfReach.map((text) => (
        <Words key={text} strong>
          {textIn(text)}
        </Words>
      ))}
      {answer !== null && <CautionNotes cautions={answer.cautions} />}
      <Row>
        <Button label="Welded with these" onPress={() => onFigures(Object.fromEntries(figures))} />
      </Row>
    </View>
  );
}
