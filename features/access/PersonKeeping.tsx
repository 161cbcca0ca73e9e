import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import type { Person, PersonChange } from '@/core/access/people-schema';
import { PersonMark } from '@/ui/PersonMark';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Heading, Words } from '@/ui/Words';
import { PEOPLE } from '../../client/use-people';
import { changePerson } from './access-api';

/** Shows what a keeper does about the people: makes keepers, puts away who works here no more, brings back. */
export function PersonKeeping({ people }: { people: readonly Person[] }) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<string | null>(null);
  const change = (id: string, how: PersonChange): void => {
    setProblem(null);
    changePerson(id, how).then(
      () => client.invalidateQueries({ queryKey: PEOPLE }),
      (error: Error) => setProblem(error.message),
    );
  };
  if (people.length === 0) return null;
  return (
    <View role="region" aria-label="For the keeper" className="gap-3">
      <Heading level={2}>For the keeper</Heading>
      <Words className="text-faint">
        A keeper keeps people, devices and the limits of acceptance, and has a pass phrase. What was done keeps its
        name.
      </Words>
      {problem !== null && <Words role="alert" strong>{`Not done. ${problem}`}</Words>}
      {people.map(({ id, name, initials, colour, isKeeper, hasPassPhrase, putAway }) => (
        <View key={id} role="article" aria-label={`Keeping ${name}`} className="gap-2 rounded-md bg-plate p-3">
          <Row className="items-center gap-2">
            <PersonMark initials={initials} colour={colour} />
            <Words strong className="min-w-0 flex-1">{`${name}${putAway ? ' (put away)' : ''}`}</Words>
          </Row>
          <Row className="flex-wrap gap-2">
            {hasPassPhrase ? (
              <Button
                label={isKeeper ? 'Keeper no more' : 'Make a keeper'}
                className="flex-1"
                onPress={() => change(id, { isKeeper: !isKeeper })}
              />
            ) : (
              <Words className="min-w-0 flex-1 self-center text-sm text-faint">
                No pass phrase: cannot be a keeper.
              </Words>
            )}
            <Button
              label={putAway ? 'Bring back' : 'Put away'}
              className="flex-1"
              onPress={() => change(id, { putAway: !putAway })}
            />
          </Row>
        </View>
      ))}
    </View>
  );
}
