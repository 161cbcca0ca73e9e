import { useRouter } from 'expo-router';
import { ScrollView, View } from 'react-native';
import type { Inspection, NewRepair, Weld } from '@/core/record/shapes/weld-schema';
import { DEFECT_WORDS } from '@/core/inspection/defects';
import { LEVELS_NOTE } from '@/core/inspection/levels';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { figureWithUnit } from '@/core/setting/words';
import { MAIN_SETTINGS } from '@/core/setting/table';
import { readable, unitOf } from '@/core/quantity/units';
import { jobWords } from '../shared/job-words';
import { PictureStrip } from '../shared/PictureStrip';
import { usePictures } from '../../client/use-pictures';
import { makeChange } from '../../client/send-changes';
import { dayWords } from '../shared/time-words';
import { useTextIn, useUnits } from '../shared/use-habits';
import { isGone, useSubmit } from '../../client/use-records';
import { useWeld } from '../../client/use-welds';
import { WELD_STATE_WORDS } from '@/core/record/words/weld-words';
import { lineText } from './weld-words';

/** A weld and what became of it: made with which setting, inspected, repaired, inspected again. */
export function WeldDetail({ weldId, named }: { weldId: string; named: boolean }) {
  const router = useRouter();
  const { data: weld, error, refetch } = useWeld(weldId);
  useTitle(named && weld !== undefined ? weld.title : 'Welds');
  if (error !== null)
    return (
      <StateNote
        title={isGone(error) ? 'No such weld' : 'The weld cannot be read'}
        text={isGone(error) ? 'It is not in the log of this workshop.' : error.message}
        action={
          isGone(error)
            ? { label: 'To the welds', onPress: () => router.replace('/weld') }
            : { label: 'Try again', onPress: () => void refetch() }
        }
      />
    );
  if (weld === undefined) return <Loading what="the weld" />;
  return <WeldRecord weld={weld} />;
}

/** Shows what is to be done next with a weld, by how it stands. */
function NextStep({ weld }: { weld: Weld }) {
  const router = useRouter();
  const params = { weldId: weld.id };
  const inspect = (label: string, tone: 'act' | 'plain' = 'act') => (
    <Button
      tone={tone}
      className="flex-1"
      label={label}
      onPress={() => router.push({ pathname: '/weld/[weldId]/inspect', params })}
    />
  );
  switch (weld.state) {
    case 'to-inspect':
      return inspect(weld.repairs.length > 0 ? 'Inspect it again' : 'Inspect it');
    case 'open':
      return inspect('Look at the rest');
    case 'repair':
      return (
        <Button
          tone="act"
          className="flex-1"
          label="Repair it"
          onPress={() => router.push({ pathname: '/weld/[weldId]/repair', params })}
        />
      );
    default:
      return inspect('Inspect it anew', 'plain');
  }
}

function WeldRecord({ weld }: { weld: Weld }) {
  const router = useRouter();
  const units = useUnits();
  const { put, busy, problem } = useSubmit();
  const { id, provenId, title, job, rigName, by, weldedAt, lengthMm, note, state, putAway, revision } = weld;
  const last = weld.inspections.at(-1);
  const { data: pictures = [] } = usePictures({ owner: { weldId: id }, beadIds: [] });
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-4 self-center p-4 pb-10">
      <View className="gap-1">
        <Heading level={1}>{title}</Heading>
        <Words>{`${jobWords(job, units)} · ${rigName}`}</Words>
        <Words className="text-sm text-faint">{`${by}, ${dayWords(weldedAt)}${lengthMm === null ? '' : `, ${readable(lengthMm, 'length', units)} ${unitOf('length', units)}`}${putAway ? ', put away' : ''}`}</Words>
        {note !== '' && <Words>{note}</Words>}
      </View>
      <View role="status" className="gap-1 border-y-2 border-ink py-3">
        <Words strong className="text-2xl">
          {WELD_STATE_WORDS[state]}
        </Words>
        {last !== undefined && state === last.judged.verdict && <Words>{last.judged.because}</Words>}
        {last !== undefined && state === 'to-inspect' && <Words>It was repaired since it was last looked at.</Words>}
      </View>
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <Row className="flex-wrap gap-2">
        <Button
          label="Its setting"
          onPress={() => router.push({ pathname: '/proven/[provenId]', params: { provenId } })}
        />
        <Button
          label={putAway ? 'Bring it back' : 'Put it away'}
          disabled={busy}
          onPress={() => void put([makeChange('change-weld', id, { putAway: !putAway }, revision)])}
        />
        <NextStep weld={weld} />
      </Row>
      <PictureStrip of="The weld" to={{ weldId: id }} pictures={pictures} />
      {pictures.length > 1 && (
        <Row>
          <Button
            label="Side by side"
            onPress={() => router.push({ pathname: '/weld/[weldId]/beside', params: { weldId: id } })}
          />
        </Row>
      )}
      <Story weld={weld} />
      <Words className="text-sm text-faint">{LEVELS_NOTE}</Words>
    </ScrollView>
  );
}

/** Inspections and repairs, the newest first: a repair stands over the inspection it follows. */
function Story({ weld: { inspections, repairs } }: { weld: Weld }) {
  return inspections
    .map((inspection, i) => (
      <View key={inspection.id} className="gap-4">
        {repairs
          .filter(({ inspectionId }) => inspectionId === inspection.id)
          .map((repair) => (
            <RepairRecord key={repair.id} repair={repair} />
          ))}
        <InspectionRecord inspection={inspection} number={i + 1} />
      </View>
    ))
    .reverse();
}

function InspectionRecord({ inspection, number }: { inspection: Inspection; number: number }) {
  const units = useUnits();
  const { inspectedAt, by, level, judged, note } = inspection;
  const over = judged.lines.filter((line) => line.over);
  const inside = judged.lines.filter((line) => !line.over);
  return (
    <View role="article" aria-label={`Inspection ${number}`} className="gap-1 rounded-md bg-plate p-3">
      <Row className="items-baseline justify-between gap-2">
        <Heading level={2}>{`Inspection ${number}: ${WELD_STATE_WORDS[judged.verdict].toLowerCase()}`}</Heading>
        <Words className="text-sm">{dayWords(inspectedAt)}</Words>
      </Row>
      <Words className="text-sm text-faint">{`${by}, held to “${level.name}”`}</Words>
      <Words>{judged.because}</Words>
      {over.map((line) => (
        <Words key={`${line.defect}${line.unit}`} strong>
          {lineText(line, units)}
        </Words>
      ))}
      {inside.length > 0 && (
        <Words className="text-sm text-faint">{`Inside: ${inside.map((line) => lineText(line, units)).join('; ')}.`}</Words>
      )}
      {note !== '' && <Words>{note}</Words>}
    </View>
  );
}

function RepairRecord({ repair }: { repair: NewRepair }) {
  const units = useUnits();
  const textIn = useTextIn();
  const { repairedAt, by, defects, done, settings, note } = repair;
  const figures = MAIN_SETTINGS.flatMap((name) => {
    const value = settings[name];
    return value === undefined ? [] : [figureWithUnit(name, value, units)];
  });
  return (
    <View role="article" aria-label="Repair" className="gap-1 rounded-md bg-plate p-3">
      <Row className="items-baseline justify-between gap-2">
        <Heading
          level={2}
        >{`Repaired: ${defects.map((defect) => DEFECT_WORDS[defect].toLowerCase()).join(', ')}`}</Heading>
        <Words className="text-sm">{dayWords(repairedAt)}</Words>
      </Row>
      <Words className="text-sm text-faint">{by}</Words>
      {figures.length > 0 && <Words>{`Welded at ${figures.join(' · ')}`}</Words>}
      {done.map((text) => (
        <Words key={text} className="text-sm">{`✓ ${textIn(text)}`}</Words>
      ))}
      {note !== '' && <Words>{note}</Words>}
    </View>
  );
}
