import { useQueryClient } from '@tanstack/react-query';
import { Link } from 'expo-router';
import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import type { Person } from '@/core/access/people-schema';
import { COLOURS, initialsOf } from '@/core/access/person';
import { platform } from '@/platform/ports';
import { PersonMark } from '@/ui/PersonMark';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { PEOPLE, usePeople, useWho } from '../../client/use-people';
import { useSession } from '../../client/use-session';
import { addPerson } from './access-api';
import { OwnPhrase } from './OwnPhrase';
import { PersonKeeping } from './PersonKeeping';
import { usePick } from './use-pick';

/** Who works with this device: a name is picked, and everything that is done from then on carries it. */
export function PeoplePlace() {
  useTitle('Who are you?');
  const { data, error } = usePeople();
  const who = useWho();
  const session = useSession();
  const { pick, busy, problem, asks } = usePick();
  const here = data?.filter(({ putAway }) => !putAway) ?? [];
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-4 self-center p-4 pb-10">
      <Heading level={1}>Who are you?</Heading>
      <Words>
        Beads, judgements, inspections and repairs from this device carry your name. How you weld, and what you have
        learned in the School, come with you.
      </Words>
      {data === undefined && error === null && <Loading what="the people" />}
      {error !== null && data === undefined && <Words role="alert">{`They cannot be read. ${error.message}`}</Words>}
      <View role="radiogroup" aria-label="People" className="flex-row flex-wrap gap-3">
        {here.map((person) => (
          <PersonButton key={person.id} person={person} on={who?.id === person.id} onPress={() => pick(person)} />
        ))}
        <Button
          role="radio"
          aria-checked={who === null}
          label="Nobody in particular"
          className={`min-h-20 min-w-44 flex-1 ${who === null ? 'border-ink' : ''}`}
          onPress={() => pick(null)}
        />
      </View>
      {asks !== null && (
        <PhraseOf key={asks.id} person={asks} busy={busy} problem={problem} onPhrase={(phrase) => pick(asks, phrase)} />
      )}
      {asks === null && problem !== null && <Words role="alert" strong>{`Not picked. ${problem}`}</Words>}
      {who != null && asks === null && (
        <Row className="flex-wrap items-center gap-3">
          <Words strong role="status" className="min-w-0 flex-1">{`This device is ${who.name}’s now.`}</Words>
          <Link href="/" asChild>
            <Button tone="act" label="To the bench" />
          </Link>
        </Row>
      )}
      <SomebodyElse people={data ?? []} onAdded={(person) => pick(person)} />
      {who != null && <OwnPhrase key={who.id} person={who} isKeeper={session?.isKeeper === true} />}
      {session?.isKeeper === true && <PersonKeeping people={data ?? []} />}
    </ScrollView>
  );
}

function PersonButton({ person, on, onPress }: { person: Person; on: boolean; onPress: () => void }) {
  const { name, initials, colour, isKeeper, hasPassPhrase } = person;
  return (
    <Pressable
      role="radio"
      aria-checked={on}
      aria-label={name}
      onPress={onPress}
      className={`min-h-20 min-w-44 flex-1 flex-row items-center gap-3 rounded-md border-4 bg-plate p-3 ${on ? 'border-ink' : 'border-transparent'}`}
    >
      <PersonMark initials={initials} colour={colour} large />
      <View className="min-w-0 flex-1">
        <Words strong className="text-lg">
          {name}
        </Words>
        {(isKeeper || hasPassPhrase) && (
          <Words className="text-sm text-faint">{isKeeper ? 'keeper' : 'has a pass phrase'}</Words>
        )}
      </View>
    </Pressable>
  );
}

type PhraseProps = { person: Person; busy: boolean; problem: string | null; onPhrase: (phrase: string) => void };

/** Somebody with a pass phrase of their own shows it. */
function PhraseOf({ person, busy, problem, onPhrase }: PhraseProps) {
  const [phrase, setPhrase] = useState('');
  const go = (): void => {
    if (phrase !== '' && !busy) onPhrase(phrase);
  };
  return (
    <View className="gap-3 rounded-md bg-plate p-4">
      <TextField
        label={`Pass phrase of ${person.name}`}
        value={phrase}
        onChange={setPhrase}
        maxLength={200}
        secret
        problem={problem}
        onEnter={go}
      />
      <Button tone="act" label={`I am ${person.name}`} disabled={phrase === '' || busy} onPress={go} />
    </View>
  );
}

/** Somebody who is not among them yet. */
function SomebodyElse({ people, onAdded }: { people: readonly Person[]; onAdded: (person: Person) => void }) {
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [id] = useState(() => ({ now: platform().newId() }));
  const [problem, setProblem] = useState<string | null>(null);
  if (!open) return <Button label="Somebody else" onPress={() => setOpen(true)} />;
  const add = (): void => {
    if (name.trim() === '') return;
    const person = { id: id.now, name: name.trim(), initials: initialsOf(name), colour: people.length % COLOURS };
    addPerson(person).then(
      async (added) => {
        await client.invalidateQueries({ queryKey: PEOPLE });
        id.now = platform().newId();
        setName('');
        setOpen(false);
        onAdded(added);
      },
      (error: Error) => setProblem(error.message),
    );
  };
  return (
    <View className="gap-3 rounded-md bg-plate p-4">
      <TextField
        label="Name"
        value={name}
        onChange={(text) => (setName(text), setProblem(null))}
        maxLength={60}
        problem={problem}
        onEnter={add}
      />
      <Row className="gap-2">
        <Button label="Leave it" className="flex-1" onPress={() => setOpen(false)} />
        <Button tone="act" label="Add" className="flex-1" disabled={name.trim() === ''} onPress={add} />
      </Row>
    </View>
  );
}
