import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { dueList, type Due, type DueState } from '@/core/care/due';
import { CARE, type CareTask } from '@/core/care/tasks';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { WHO } from '@/client/stored/work-drafts';
import { platform } from '@/platform/ports';
import { useStored } from '@/platform/stored';
import { CareDrawing } from '@/ui/care/CareDrawing';
import { Button, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { TemperBar } from '@/ui/TemperBar';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { makeChange } from '../../../client/send-changes';
import { dayWords } from '../../shared/time-words';
import { useCare, useSubmit } from '../../../client/use-records';

const STATE_WORDS: Record<DueState, string> = {
  due: 'Due',
  soon: 'Soon due',
  unsaid: 'Not said yet',
  fine: 'In time',
};

/** Shows what is due on a machine, how each is done, and done in one tap. */
export function CarePanel({ rig }: { rig: RigRecord }) {
  useTitle(`${rig.name}: its care`);
  const router = useRouter();
  const { data, error, refetch } = useCare(rig.id);
  const [who, setWho] = useStored(WHO);
  const [asked, setAsked] = useState(false);
  const { put, busy, problem } = useSubmit();
  if (error !== null)
    return (
      <StateNote
        title="The care of this rig cannot be read"
        text={error.message}
        action={{ label: 'Try again', onPress: () => void refetch() }}
      />
    );
  if (data === undefined) return <Loading what="what is due" />;
  const list = dueList(data, platform().now().getTime());
  const noName = who.trim() === '' ? 'Whoever did it: name or initials.' : null;
  const done = (task: CareTask): void => {
    setAsked(true);
    if (noName !== null) return;
    const [id, doneAt] = [platform().newId(), platform().now().toISOString()];
    void put([makeChange('care', rig.id, { id, task, doneAt, by: who.trim() }, rig.revision, id)]);
  };
  const due = list.filter(({ state }) => state === 'due').length;
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-4 self-center p-4 pb-10">
      <View className="gap-1">
        <Heading level={1}>{`${rig.name}: its care`}</Heading>
        <Words>{due === 0 ? 'Nothing is due.' : due === 1 ? 'One thing is due.' : `${due} things are due.`}</Words>
      </View>
      <TextField label="Done by" value={who} onChange={setWho} maxLength={60} problem={asked ? noName : null} />
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      {list.map((one) => (
        <CareRow key={one.task} due={one} busy={busy} onDone={() => done(one.task)} />
      ))}
      <Row className="flex-wrap gap-2">
        <Button
          label="To the rig"
          onPress={() => router.push({ pathname: '/rig/[rigId]', params: { rigId: rig.id } })}
        />
        <Button
          className="flex-1"
          label="As a calendar"
          onPress={() => {
            // Nobody needs the writing of calendars to see what is due.
            void import('./care-file').then(({ careCalendar }) =>
              platform().saveFile('care.ics', careCalendar(rig, list, platform().now().toISOString()), 'text/calendar'),
            );
          }}
        />
      </Row>
    </ScrollView>
  );
}

function CareRow({ due, busy, onDone }: { due: Due; busy: boolean; onDone: () => void }) {
  const [open, setOpen] = useState(false);
  const { task, name, state, share, because, since } = due;
  const care = CARE.find(({ id }) => id === task)!;
  return (
    <View role="group" aria-label={name} className="gap-2 rounded-md bg-plate p-3">
      <Row className="items-baseline justify-between gap-2">
        <Words strong className="min-w-0 flex-1 text-lg">
          {name}
        </Words>
        <Words strong>{STATE_WORDS[state]}</Words>
      </Row>
      {state !== 'unsaid' && <TemperBar share={Math.min(1, share)} />}
      <Words className="text-sm">{because}</Words>
      {since !== null && <Words className="text-sm text-faint">{`Last on ${dayWords(since)}`}</Words>}
      {open && (
        <View className="gap-3">
          {care.steps.map((text, i) => (
            <Row key={text} className="items-center gap-3">
              <CareDrawing task={task} step={i} width={112} />
              <Words className="min-w-0 flex-1">{`${i + 1}. ${text}`}</Words>
            </Row>
          ))}
          {care.caution !== null && (
            <Words strong className="border-l-4 border-ink pl-3">
              {care.caution}
            </Words>
          )}
        </View>
      )}
      <Row className="gap-2">
        <Toggle label="How" of={name} on={open} onPress={() => setOpen(!open)} />
        <Button
          className="flex-1"
          tone={state === 'due' ? 'act' : 'plain'}
          counts
          label="Done"
          aria-label={`Done: ${name}`}
          disabled={busy}
          onPress={onDone}
        />
      </Row>
    </View>
  );
}
