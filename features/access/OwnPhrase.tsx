import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import type { Person } from '@/core/access/people-schema';
import { OWN_PHRASE } from '@/core/access/person';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { TextField } from '@/ui/TextField';
import { Words } from '@/ui/Words';
import { PEOPLE } from '../../client/use-people';
import { setOwnPhrase } from './access-api';

/** A pass phrase of one's own, so that nobody else signs with the name. A keeper needs none of before. */
export function OwnPhrase({ person, isKeeper }: { person: Person; isKeeper: boolean }) {
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const [before, setBefore] = useState('');
  const [next, setNext] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const { id, name, hasPassPhrase } = person;
  const label = hasPassPhrase ? 'Another pass phrase of your own' : 'A pass phrase of your own';
  if (!open) return <Button label={label} onPress={() => setOpen(true)} />;
  const asksBefore = hasPassPhrase && !isKeeper;
  const isLong = next.trim().length >= OWN_PHRASE.least;
  const set = (passPhrase: string | null): void => {
    setOwnPhrase(id, { passPhrase, ...(asksBefore ? { before } : {}) }).then(
      async () => {
        await client.invalidateQueries({ queryKey: PEOPLE });
        setOpen(false);
        setNext('');
        setBefore('');
      },
      (error: Error) => setProblem(error.message),
    );
  };
  return (
    <View role="region" aria-label={label} className="gap-3 rounded-md bg-plate p-4">
      <Words>{`With it nobody else picks ${name}, and what comes in your name is from a device that has shown it.`}</Words>
      {asksBefore && (
        <TextField label="The one so far" value={before} onChange={setBefore} maxLength={OWN_PHRASE.most} secret />
      )}
      <TextField
        label={`New, ${OWN_PHRASE.least} letters or more`}
        value={next}
        onChange={(text) => (setNext(text), setProblem(null))}
        maxLength={OWN_PHRASE.most}
        secret
        problem={problem ?? (next !== '' && !isLong ? `takes ${OWN_PHRASE.least} letters or more` : null)}
      />
      <Row className="flex-wrap gap-2">
        <Button label="Leave it" className="flex-1" onPress={() => setOpen(false)} />
        {hasPassPhrase && <Button label="Without one" className="flex-1" onPress={() => set(null)} />}
        <Button tone="act" label="Set it" className="flex-1" disabled={!isLong} onPress={() => set(next)} />
      </Row>
    </View>
  );
}
