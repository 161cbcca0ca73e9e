import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { appearanceFrom } from '@/core/bead/appearance';
import { dialsOf } from '@/core/record/draft/case-of';
import { emptyDraft } from '@/core/record/draft/draft';
import type { SavedSetting } from '@/core/record/shapes/saved-setting-schema';
import { fittedSince } from '@/core/start/fitted-since';
import { MAIN_SETTINGS, TURNED_SETTINGS, type SettingName } from '@/core/setting/table';
import { BENCH_COUPON, draftOn } from '@/client/stored/device-state';
import { WHO } from '@/client/stored/work-drafts';
import { platform } from '@/platform/ports';
import { store, useStored } from '@/platform/stored';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { NumberField } from '@/ui/NumberField';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { fromUser, unitOf } from '@/core/quantity/units';
import { FigureRow } from '../shared/FigureRow';
import { FittedSinceNotes } from '../shared/FittedSinceNotes';
import { jobWords } from '../shared/job-words';
import { typedFigure } from '../shared/record-form';
import { fittedWords } from '../shared/rig-words';
import { makeChange } from '../../client/send-changes';
import { dayWords } from '../shared/time-words';
import { TopicNotes } from '../shared/TopicNotes';
import { useUnits } from '../shared/use-habits';
import { useLeadOn } from '../shared/use-lead-on';
import { isGone, useRigs, useSubmit } from '../../client/use-records';
import { useSavedSetting, useWeldPages } from '../../client/use-welds';
import { proofWords } from '@/core/record/words/proof-words';
import { WeldRow } from './WeldRow';

/** A kept setting: what it was, what it was proved by, what differs now, and the welds made with it. */
export function SavedSettingDetail({ provenId, named }: { provenId: string; named: boolean }) {
  const router = useRouter();
  const { data: setting, error, refetch } = useSavedSetting(provenId);
  useTitle(named && setting !== undefined ? `${setting.title}: kept setting` : 'Kept settings');
  if (error !== null)
    return (
      <StateNote
        title={isGone(error) ? 'No such setting' : 'The setting cannot be read'}
        text={isGone(error) ? 'It is not among those this workshop keeps.' : error.message}
        action={
          isGone(error)
            ? { label: 'To the kept settings', onPress: () => router.replace('/proven') }
            : { label: 'Try again', onPress: () => void refetch() }
        }
      />
    );
  if (setting === undefined) return <Loading what="the setting" />;
  return <Kept setting={setting} />;
}

function Kept({ setting }: { setting: SavedSetting }) {
  const router = useRouter();
  const leadOn = useLeadOn();
  const units = useUnits();
  const { put, busy, problem } = useSubmit();
  const { id, title, bead, job, setup, rigId, rigName, provenAt, by, how, run, note, putAway, revision } = setting;
  const rig = useRigs().data?.find((one) => one.id === rigId);
  const differs = rig === undefined ? [] : fittedSince(setup.rig, rig.setup.rig);
  const figures = TURNED_SETTINGS.flatMap((name): [SettingName, number][] => {
    const value = bead.settings[name];
    return value === undefined ? [] : [[name, value]];
  });
  return (
    <ScrollView contentContainerClassName="w-full max-w-5xl gap-4 self-center p-4 pb-10">
      <View className="gap-1">
        <Heading level={1}>{title}</Heading>
        <Words>{`${jobWords(job, units)} · ${rigName}`}</Words>
        <Words className="text-sm text-faint">{`Bead ${bead.number}, ${proofWords(how)} by ${by} on ${dayWords(provenAt)}${putAway ? ', put away' : ''}`}</Words>
      </View>
      <FigureRow label="Setting" className="border-y-2 border-ink py-3" dials={dialsOf(setup)} figures={figures} />
      <FittedSinceNotes found={differs} />
      <Row className="flex-wrap gap-4">
        <View className="w-72 overflow-hidden rounded-sm">
          <BeadDrawing
            bead={appearanceFrom(bead.appearance)}
            view="top"
            height={110}
            lengthMm={50}
            title={`Bead ${bead.number} from above`}
          />
        </View>
        <View className="min-w-60 flex-1 gap-2">
          <TopicNotes label="Run with" lines={[fittedWords(setup.rig, units)]} />
          {run !== undefined && <TopicNotes label="Led" lines={[run === 'weave' ? 'In a weave' : 'Straight']} />}
          {note !== '' && <TopicNotes label="Besides" lines={[note]} />}
        </View>
      </Row>
      {(bead.takenBack || bead.outcome !== 'sound') && (
        <Words strong className="border-l-4 border-ink pl-3">
          {bead.takenBack
            ? 'Its bead was taken back since: it is not offered any more.'
            : 'Its bead was judged otherwise since: run a trial bead before it is used.'}
        </Words>
      )}
      {how.every((one) => one === 'looked') && (
        <Words className="border-l-4 border-ink pl-3">
          It was only looked at. Where failing can hurt someone, bend, break or cut a coupon first.
        </Words>
      )}
      <Welds setting={setting} />
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <Row className="flex-wrap gap-2">
        <Button label="To the list" onPress={() => router.push('/proven')} />
        <Button
          label="Job card"
          onPress={() => router.push({ pathname: '/coupon/[couponId]/card', params: { couponId: setting.couponId } })}
        />
        <Button
          label={putAway ? 'Bring it back' : 'Put it away'}
          disabled={busy}
          onPress={() => void put([makeChange('change-proven', id, { putAway: !putAway }, revision)])}
        />
        <Button
          tone="act"
          className="flex-1"
          label="Run it on the bench"
          disabled={busy}
          onPress={() => void onTheBench(setting, put, () => leadOn('/', 'push'))}
        />
      </Row>
    </ScrollView>
  );
}

/** A new coupon with the job of a kept setting, its figures on the bench. */
async function onTheBench(
  { title, rigId, job, bead }: SavedSetting,
  put: ReturnType<typeof useSubmit>['put'],
  open: () => void,
): Promise<void> {
  const { newId, now } = platform();
  const [id, at] = [newId(), now().toISOString()];
  const begin = makeChange('begin-coupon', id, { rigId, title, createdAt: at, job: { id: newId(), at, job } }, 0);
  if (!(await put([begin]))) return;
  const settings = Object.fromEntries(
    MAIN_SETTINGS.flatMap((name) => (bead.settings[name] === undefined ? [] : [[name, bead.settings[name]]])),
  );
  store(draftOn(id), { now: { ...emptyDraft(newId()), settings }, past: [] });
  store(BENCH_COUPON, id);
  open();
}

/** The welds made with a setting, and another one. */
function Welds({ setting }: { setting: SavedSetting }) {
  const [adding, setAdding] = useState(false);
  const { welds } = useWeldPages({ proven: setting.id });
  return (
    <View role="region" aria-label="Welds made with it" className="gap-2">
      <Heading level={2}>Welds made with it</Heading>
      {welds?.length === 0 && !adding && <Words className="text-faint">None logged yet.</Words>}
      {welds?.map((weld) => (
        <WeldRow key={weld.id} weld={weld} />
      ))}
      {adding ? (
        <AddWeld setting={setting} onDone={() => setAdding(false)} />
      ) : (
        <Row>
          <Button label="Log a weld" onPress={() => setAdding(true)} />
        </Row>
      )}
    </View>
  );
}

function AddWeld({ setting, onDone }: { setting: SavedSetting; onDone: () => void }) {
  const leadOn = useLeadOn();
  const units = useUnits();
  const [who, setWho] = useStored(WHO);
  const [title, setTitle] = useState('');
  const [length, setLength] = useState('');
  const [note, setNote] = useState('');
  const [tried, setTried] = useState(false);
  const [id] = useState(() => platform().newId());
  const { put, busy, problem } = useSubmit();
  const typed = typedFigure(length);
  const lengthMm = typed === undefined ? null : fromUser(typed, 'length', units);
  const problems = {
    title: title.trim() === '' ? 'What was welded, as the yard calls it.' : null,
    who: who.trim() === '' ? 'The name or initials of the welder.' : null,
    length:
      lengthMm === null || (lengthMm >= 5 && lengthMm <= 100_000)
        ? null
        : `A length from ${units === 'metric' ? '5 mm to 100 m' : '0.2 in to 3900 in'}, or nothing.`,
  };
  const save = async (): Promise<void> => {
    setTried(true);
    if (Object.values(problems).some((one) => one !== null)) return;
    const weldedAt = platform().now().toISOString();
    const fields = { provenId: setting.id, title: title.trim(), weldedAt, by: who.trim(), lengthMm, note };
    if (!(await put([makeChange('log-weld', id, fields, 0, id)]))) return;
    onDone();
    leadOn({ pathname: '/weld/[weldId]', params: { weldId: id } }, 'push');
  };
  const said = (one: string | null): string | null => (tried ? one : null);
  return (
    <View role="group" aria-label="A weld made with it" className="gap-3 rounded-md bg-plate p-3">
      <TextField
        label="What was welded"
        value={title}
        onChange={setTitle}
        maxLength={120}
        problem={said(problems.title)}
      />
      <Row className="gap-2">
        <NumberField
          className="w-40"
          label="Length of weld"
          unit={unitOf('length', units)}
          text={length}
          onType={setLength}
          problem={said(problems.length)}
        />
        <View className="min-w-0 flex-1">
          <TextField label="Welded by" value={who} onChange={setWho} maxLength={60} problem={said(problems.who)} />
        </View>
      </Row>
      <TextField label="Note" value={note} onChange={setNote} maxLength={1000} lines={2} />
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <Row className="gap-2">
        <Button label="Leave it" onPress={onDone} />
        <Button tone="act" className="flex-1" label="Log the weld" disabled={busy} onPress={() => void save()} />
      </Row>
    </View>
  );
}
