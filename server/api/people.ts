import {
  FOLLOWING_CHANGE_SCHEMA,
  FOLLOWING_SCHEMA,
  NEW_PERSON_SCHEMA,
  OWN_PHRASE_SCHEMA,
  PERSON_CHANGE_SCHEMA,
  PERSON_SCHEMA,
  PICK_SCHEMA,
} from '../../core/access/people-schema';
import {
  validateFollowing,
  validateNewPerson,
  validateOwnPhrase,
  validatePersonChange,
  validatePick,
} from '../../core/access/validate-people';
import type { ChangeEnvelope } from '../../core/record/change/change-schema';
import { isKeeper, type Caller } from '../access/caller';
import { isOwnPhrase, setOwnPhrase } from '../access/pass-phrase';
import { hasShown, setPersonOf } from '../access/sessions';
import { addFollowing, addPerson, changePerson, findPerson, followingOf, listPeople } from '../db/records/people';
import { together } from '../db/records/write';
import { NotAllowed } from '../errors/not-allowed';
import { requireKeeper, SESSION, sessionOf } from './access';
import { endpoint, type AnyEndpoint, type Context } from './endpoint';

/** A device may speak for somebody: they have no pass phrase of their own, or it has shown it. @throws NotAllowed where not */
function requireSpeaks({ isAtMachine, device }: Caller, id: string, { store }: Context): void {
  if (isAtMachine || device === null) return;
  const named = findPerson(store, id);
  if (named?.hasPassPhrase === true && !hasShown(store, device.id, id))
    throw new NotAllowed(
      'not-this-person',
      `${named.name} has a pass phrase of their own, which this device has not shown. Pick the name once with it, and send it again.`,
    );
}

/** Who sends a change may send it in that name, and may do what it does. @throws NotAllowed where not */
export function requireMay(
  caller: Caller,
  { kind, person }: Pick<ChangeEnvelope, 'kind' | 'person'>,
  context: Context,
): void {
  if (caller.isAtMachine) return;
  // Limits that welds are judged by are the keeper's.
  if (kind === 'change-level') requireKeeper(caller);
  if (person !== undefined) requireSpeaks(caller, person, context);
}

const FOLLOWING = { schema: FOLLOWING_SCHEMA, description: 'what follows them' };
const PERSON = { schema: PERSON_SCHEMA, description: 'the person as they stand now' };

/** Whoever works here: to be picked from, and kept by the keeper. */
export const PEOPLE: readonly AnyEndpoint[] = [
  endpoint({
    id: 'listPeople',
    method: 'get',
    path: '/people',
    summary: 'Whoever works here, by name; those that were put away as well.',
    answer: { schema: { type: 'array', items: PERSON_SCHEMA }, description: 'the people' },
    work: (_asked, { store }) => listPeople(store),
  }),
  endpoint({
    id: 'addPerson',
    method: 'post',
    path: '/people',
    summary: 'Adds somebody. The same one again changes nothing.',
    body: { schema: NEW_PERSON_SCHEMA, read: validateNewPerson },
    answer: PERSON,
    problems: ['conflict'],
    work: ({ body }, { store }) => together(store, (writing) => addPerson(writing, body)),
  }),
  endpoint({
    id: 'changePerson',
    method: 'patch',
    path: '/people/{id}',
    summary: 'Changes what is said of somebody, puts them away, or makes them a keeper.',
    body: { schema: PERSON_CHANGE_SCHEMA, read: validatePersonChange },
    answer: PERSON,
    problems: ['not-found', 'conflict', 'not-the-keeper'],
    work: ({ params, body, caller }, { store }) => {
      requireKeeper(caller);
      return together(store, (writing) => changePerson(writing, params.id, body));
    },
  }),
  endpoint({
    id: 'setPersonPassPhrase',
    method: 'patch',
    path: '/people/{id}/pass-phrase',
    summary: 'Sets a pass phrase of somebody’s own, or takes it away: theirs to do with the one before, or a keeper’s.',
    body: { schema: OWN_PHRASE_SCHEMA, read: validateOwnPhrase },
    answer: PERSON,
    problems: ['not-found', 'wrong-pass-phrase'],
    work: async ({ params: { id }, body: { passPhrase, before }, caller }, context) => {
      const { store, network } = context;
      const person = findPerson(store, id);
      if (person === null) return null;
      // Who has none yet is taken at their word; a keeper helps who has forgotten theirs.
      if (
        person.hasPassPhrase &&
        !isKeeper(caller) &&
        !(before !== undefined && (await isOwnPhrase(store, id, before)))
      ) {
        await network?.slowDown(caller.from);
        throw new NotAllowed('wrong-pass-phrase', `That is not the pass phrase of ${person.name} so far.`);
      }
      const { device, person: here } = caller;
      await setOwnPhrase(store, id, passPhrase, device !== null && here?.id === id ? device.id : null);
      return findPerson(store, id);
    },
  }),
  endpoint({
    id: 'getFollowing',
    method: 'get',
    path: '/people/{id}/following',
    summary: 'What follows somebody from device to device: how they weld, and what they answered in the School.',
    answer: FOLLOWING,
    problems: ['not-found', 'not-this-person'],
    work: ({ params: { id }, caller }, context) => {
      requireSpeaks(caller, id, context);
      return followingOf(context.store, id);
    },
  }),
  endpoint({
    id: 'changeFollowing',
    method: 'patch',
    path: '/people/{id}/following',
    summary: 'Adds to it: habits in the place of those before, answers beside the others, each once.',
    body: { schema: FOLLOWING_CHANGE_SCHEMA, read: validateFollowing },
    answer: FOLLOWING,
    problems: ['not-found', 'not-this-person'],
    work: async ({ params: { id }, body, caller }, context) => {
      requireSpeaks(caller, id, context);
      if (findPerson(context.store, id) === null) return null;
      await together(context.store, (writing) => addFollowing(writing, id, body));
      return followingOf(context.store, id);
    },
  }),
  endpoint({
    id: 'pickPerson',
    method: 'put',
    path: '/session/person',
    summary: 'Says who works with this device from now on.',
    body: { schema: PICK_SCHEMA, read: validatePick },
    answer: SESSION,
    problems: ['not-found', 'wrong-pass-phrase', 'too-many-tries'],
    work: async ({ body: { person: id, passPhrase }, caller }, context) => {
      const { store, network } = context;
      const person = id === null ? null : findPerson(store, id);
      if (id !== null && person === null) return null;
      if (person?.hasPassPhrase && !(passPhrase !== undefined && (await isOwnPhrase(store, person.id, passPhrase)))) {
        await network?.slowDown(caller.from);
        throw new NotAllowed('wrong-pass-phrase', `That is not the pass phrase of ${person.name}.`);
      }
      if (caller.device !== null) await setPersonOf(store, caller.device.id, id, person?.hasPassPhrase === true);
      return sessionOf({ ...caller, person }, context);
    },
  }),
];
