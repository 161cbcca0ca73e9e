import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import type { Person } from '@/core/access/people-schema';
import { changePersonHere } from '@/client/stored/change-person';
import { WHO } from '@/client/stored/work-drafts';
import { store } from '@/platform/stored';
import { RequestProblem } from '../../client/api';
import { SESSION } from '../../client/use-session';
import { pickPerson } from './access-api';

type Picking = {
  /** Picks somebody, with their own pass phrase where they have one; null for nobody in particular. */
  pick: (person: Person | null, phrase?: string) => void;
  busy: boolean;
  problem: string | null;
  /** Whose pass phrase is asked for. */
  asks: Person | null;
};

/** Says who works with this device. Without the server a name that has no pass phrase is picked all the same. */
export function usePick(): Picking {
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [asks, setAsks] = useState<Person | null>(null);
  const pick = useCallback(
    (person: Person | null, phrase?: string): void => {
      setProblem(null);
      if (person?.hasPassPhrase && phrase === undefined) return setAsks(person);
      const take = (): void => {
        changePersonHere(person?.id ?? null);
        // What is signed is signed with this name, until another is typed.
        if (person !== null) store(WHO, person.name);
        setAsks(null);
      };
      setBusy(true);
      pickPerson({ person: person?.id ?? null, ...(phrase === undefined ? {} : { passPhrase: phrase }) })
        .then(
          (session) => {
            client.setQueryData(SESSION, session);
            take();
          },
          (error: Error) => {
            const isAway = error instanceof RequestProblem && error.code === null;
            if (isAway && !person?.hasPassPhrase) take();
            else setProblem(error.message);
          },
        )
        .finally(() => setBusy(false));
    },
    [client],
  );
  return { pick, busy, problem, asks };
}
