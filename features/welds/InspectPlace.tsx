import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { judge } from '@/core/inspection/judge';
import type { Level } from '@/core/inspection/level-schema';
import { LEVELS_NOTE } from '@/core/inspection/levels';
import type { MeasureId } from '@/core/inspection/measures';
import { inspectionProblems } from '@/core/inspection/problems';
import { readable, type UnitSystem } from '@/core/quantity/units';
import type { Weld } from '@/core/record/shapes/weld-schema';
import { inspectionOn, WHO, type InspectionDraft } from '@/client/stored/work-drafts';
import { platform } from '@/platform/ports';
import { useStored } from '@/platform/stored';
import { Part } from '@/ui/Part';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { useTitle } from '@/ui/use-keys';
import { WIDE } from '@/ui/wide';
import { Heading, Words } from '@/ui/Words';
import { jobWords } from '../shared/job-words';
import { makeChange } from '../../client/send-changes';
import { useUnits } from '../shared/use-habits';
import { useLeadOn } from '../shared/use-lead-on';
import { useSubmit } from '../../client/use-records';
import { useLevels, useWeld } from '../../client/use-welds';
import { FromPhotographs } from './FromPhotographs';
import { typedOf } from './inspection-work';
import { LookedFor, Sizes } from './InspectParts';
import { JudgedSoFar } from './JudgedSoFar';

/** The inspection of a weld: what was looked for, what was measured, and what the limits say of it at once. */
export function InspectPlace({ weldId }: { weldId: string }) {
  useTitle('Inspect');
  const router = useRouter();
  const { data: weld, error } = useWeld(weldId);
  if (error !== null)
    return (
      <StateNote
        title="The weld cannot be read"
        text={error.message}
        action={{ label: 'To the welds', onPress: () => router.replace('/weld') }}
      />
    );
  if (weld === undefined) return <Loading what="the weld" />;
  return <InspectForm weld={weld} />;
}

/** Level that a job is held to where none was chosen. */
const levelFor = (levels: readonly Level[], { job }: Weld): Level =>
  levels[job.critical === 'careful' ? 2 : job.critical === 'trial' ? 0 : 1] ?? levels[0];

function InspectForm({ weld }: { weld: Weld }) {
  const router = useRouter();
  const leadOn = useLeadOn();
  const isWide = useWindowDimensions().width >= WIDE;
  const shown = useUnits();
  const levels = useLevels();
  const [kept, setDraft] = useStored(inspectionOn(weld.id));
  const [who, setWho] = useStored(WHO);
  const [tried, setTried] = useState(false);
  // Two taps where one was meant are one inspection.
  const [id] = useState(() => platform().newId());
  const { put, busy, problem } = useSubmit();
  const draft = useMemo(
    (): InspectionDraft => kept ?? { levelId: null, texts: begunTexts(weld, shown), units: shown, note: '' },
    [kept, weld, shown],
  );
  const level = levels.find(({ id }) => id === draft.levelId) ?? levelFor(levels, weld);
  const { measured, problems } = useMemo(() => typedOf(weld.job, draft), [weld.job, draft]);
  const judged = useMemo(
    () =>
      judge({
        job: weld.job,
        measured,
        limits: level.limits,
        repaired: weld.repairs.map(({ defects }) => defects),
      }),
    [weld, measured, level],
  );
  const together = inspectionProblems({ measured });
  const said: { [id in MeasureId]?: string } = { ...problems };
  for (const { field, takes } of together) said[field.slice('measured.'.length) as MeasureId] ??= `It takes ${takes}.`;
  const noName = who.trim() === '' ? 'Whoever looked: name or initials.' : null;
  const type = (id: MeasureId, text: string): void => setDraft({ ...draft, texts: { ...draft.texts, [id]: text } });
  const save = async (): Promise<void> => {
    setTried(true);
    if (noName !== null || Object.keys(said).length > 0) return;
    const { id: levelId, name, limits } = level;
    const fields = {
      ...{ id, inspectedAt: platform().now().toISOString(), by: who.trim(), measured, note: draft.note },
      level: { id: levelId, name, limits },
    };
    if (!(await put([makeChange('inspect', weld.id, fields, weld.revision, id)]))) return;
    setDraft(null);
    leadOn({ pathname: '/weld/[weldId]', params: { weldId: weld.id } });
  };
  const sizes = <Sizes weld={weld} draft={draft} said={said} judged={judged} onType={type} />;
  const form = (
    <View className="gap-5">
      <View className="gap-1">
        <Heading level={1}>{`Inspect: ${weld.title}`}</Heading>
        <Words>{jobWords(weld.job, shown)}</Words>
      </View>
      <LevelChoice levels={levels} level={level} onChoose={(levelId) => setDraft({ ...draft, levelId })} />
      <LookedFor weld={weld} draft={draft} said={said} onType={type} />
      <FromPhotographs weld={weld} draft={draft} judged={judged} onType={type} />
      {!isWide && sizes}
      <TextField
        label="Note"
        value={draft.note}
        onChange={(note) => setDraft({ ...draft, note })}
        maxLength={1000}
        lines={2}
      />
      <TextField label="Looked at by" value={who} onChange={setWho} maxLength={60} problem={tried ? noName : null} />
      {tried && Object.keys(said).length > 0 && (
        <Words role="alert" strong>
          Some figures cannot be taken: each says beside itself what it takes.
        </Words>
      )}
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <Row className="gap-2">
        <Button
          label="Leave it"
          onPress={() => router.replace({ pathname: '/weld/[weldId]', params: { weldId: weld.id } })}
        />
        <Button tone="act" className="flex-1" label="Keep the inspection" disabled={busy} onPress={() => void save()} />
      </Row>
      <Words className="text-sm text-faint">{LEVELS_NOTE}</Words>
    </View>
  );
  if (isWide)
    return (
      <Row className="h-full flex-1">
        <ScrollView className="flex-1" contentContainerClassName="w-full max-w-3xl self-center p-4 pb-10">
          {form}
        </ScrollView>
        <ScrollView className="w-[440px] flex-none border-l-2 border-edge" contentContainerClassName="gap-5 p-4 pb-10">
          <JudgedSoFar judged={judged} whole />
          {sizes}
        </ScrollView>
      </Row>
    );
  return (
    <View className="min-h-0 flex-1">
      <ScrollView className="flex-1" contentContainerClassName="p-4 pb-10">
        {form}
      </ScrollView>
      <View className="border-t-2 border-ink bg-ground p-3">
        <JudgedSoFar judged={judged} whole={false} />
      </View>
    </View>
  );
}

/** The length of a weld is known from its log. */
const begunTexts = ({ lengthMm }: Weld, units: UnitSystem): InspectionDraft['texts'] =>
  lengthMm === null ? {} : { lengthMm: readable(lengthMm, 'length', units) };

function LevelChoice({ levels, level, onChoose }: { levels: Level[]; level: Level; onChoose: (id: string) => void }) {
  return (
    <Part title="Held to">
      <Choice
        label="Held to"
        options={levels.map(({ id, name }) => ({ value: id, label: name }))}
        chosen={level.id}
        onChoose={onChoose}
      />
      <Words className="text-sm text-faint">{level.use}</Words>
    </Part>
  );
}
