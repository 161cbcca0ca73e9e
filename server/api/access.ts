import {
  DEVICE_CHANGE_SCHEMA,
  DEVICE_SCHEMA,
  DEVICES_SCHEMA,
  JOIN_CODE_SCHEMA,
  NEW_PASS_PHRASE_SCHEMA,
  NEW_SESSION_SCHEMA,
  SESSION_SCHEMA,
  type Session,
} from '../../core/access/access-schema';
import { PASS_PHRASE } from '../../core/access/pass-phrase';
import { validateDeviceChange, validatePassPhrase, validateSession } from '../../core/access/validate-access';
import { endpoint, type AnyEndpoint, type Context } from './endpoint';
import { Refusal } from '../errors/refusal';
import { NotAllowed } from '../errors/not-allowed';
import { giveCookie, isInside, isKeeper, takeCookie, type Caller } from '../access/caller';
import { isPassPhrase, phraseProblem, setPassPhrase } from '../access/pass-phrase';
import {
  beginSession,
  changeDevice,
  endOthers,
  endSession,
  isJoinCode,
  listDevices,
  makeJoinCode,
  SESSION_DAYS,
} from '../access/sessions';
import { listWrongTries } from '../access/tries';

/** Returns how whoever asks stands. */
export const sessionOf = (caller: Caller, { network }: Context): Session => ({
  isGuarded: network !== null,
  isIn: isInside(caller),
  isAtMachine: caller.isAtMachine,
  isKeeper: isKeeper(caller),
  device: caller.device,
  person: caller.person?.id ?? null,
  trust: network === null ? null : network.trust(),
});

/** @throws NotAllowed where it is not the keeper who asks */
export function requireKeeper(caller: Caller): void {
  if (!isKeeper(caller))
    throw new NotAllowed(
      'not-the-keeper',
      'Only a keeper may do that: at the machine that the server runs on, or who was made one.',
    );
}

export const SESSION = { schema: SESSION_SCHEMA, description: 'how whoever asks stands with this server' };
const DEVICES = { schema: DEVICES_SCHEMA, description: 'the devices that came in, and wrong tries' };
const devicesOf = ({ store, now }: Context) => ({
  devices: listDevices(store, now()),
  wrongTries: listWrongTries(store, now()),
});

/** Coming in and going out, and the devices that did. */
export const ACCESS: readonly AnyEndpoint[] = [
  endpoint({
    id: 'getSession',
    method: 'get',
    path: '/session',
    summary: 'How whoever asks stands with this server.',
    answer: SESSION,
    work: ({ caller }, context) => sessionOf(caller, context),
  }),
  endpoint({
    id: 'signIn',
    method: 'post',
    path: '/session',
    summary: 'Lets a device in with the pass phrase, or with a code that a device inside has shown.',
    body: { schema: NEW_SESSION_SCHEMA, read: validateSession },
    answer: SESSION,
    problems: ['wrong-pass-phrase', 'too-many-tries', 'not-found'],
    work: async ({ body, caller, response }, context) => {
      const { store, now, network } = context;
      if (network === null) throw new NotAllowed('not-found', 'This server listens to its own machine alone.');
      const { device: id, name, passPhrase, code } = body;
      const isRight =
        passPhrase === undefined ? isJoinCode(store, code!, now()) : await isPassPhrase(store, passPhrase);
      if (!isRight) {
        await network.slowDown(caller.from);
        throw new NotAllowed(
          'wrong-pass-phrase',
          passPhrase === undefined
            ? 'That code is not good any more. Scan a new one, or take the pass phrase.'
            : 'That is not the pass phrase.',
        );
      }
      const token = await beginSession(store, { id, name: name.trim(), from: caller.from }, now());
      giveCookie(response, token, SESSION_DAYS);
      return sessionOf({ ...caller, device: { id, name: name.trim() }, person: null }, context);
    },
  }),
  endpoint({
    id: 'signOut',
    method: 'delete',
    path: '/session',
    summary: 'A device goes out. What it shows is good no more.',
    answer: SESSION,
    work: async ({ caller, response }, context) => {
      if (caller.device !== null) await endSession(context.store, caller.device.id);
      takeCookie(response);
      return sessionOf({ ...caller, device: null, person: null }, context);
    },
  }),
  endpoint({
    id: 'listDevices',
    method: 'get',
    path: '/devices',
    summary: 'Every device that came in, last seen first, and where wrong pass phrases came from in the last days.',
    answer: DEVICES,
    work: (_asked, context) => devicesOf(context),
  }),
  endpoint({
    id: 'changeDevice',
    method: 'patch',
    path: '/devices/{id}',
    summary: 'Names a device, or shuts it out: it has to come in anew, and keeps what it has not sent.',
    body: { schema: DEVICE_CHANGE_SCHEMA, read: validateDeviceChange },
    answer: { schema: DEVICE_SCHEMA, description: 'the device as it stands now' },
    problems: ['not-found', 'not-the-keeper'],
    work: async ({ params, body, caller }, { store, now, answering }) => {
      requireKeeper(caller);
      const device = await changeDevice(store, params.id, body, now());
      if (body.shutOut) answering.breakOff(params.id);
      return device;
    },
  }),
  endpoint({
    id: 'makeJoinCode',
    method: 'post',
    path: '/join-codes',
    summary: 'A code that brings the next devices in, for some minutes, and the addresses to open.',
    answer: { schema: JOIN_CODE_SCHEMA, description: 'the code, how long it is good, and where' },
    problems: ['not-found'],
    work: async (_asked, { store, now, network }) =>
      network === null ? null : { ...(await makeJoinCode(store, now())), addresses: network.addresses() },
  }),
  endpoint({
    id: 'setPassPhrase',
    method: 'put',
    path: '/pass-phrase',
    summary: 'Sets another pass phrase, and has the others come in anew where that is wanted.',
    body: { schema: NEW_PASS_PHRASE_SCHEMA, read: validatePassPhrase },
    answer: SESSION,
    problems: ['not-the-keeper'],
    work: async ({ body, caller }, context) => {
      requireKeeper(caller);
      const { store, now, answering } = context;
      if (phraseProblem(body.passPhrase) !== null)
        throw new Refusal('wrong-fields', [{ field: 'passPhrase', takes: `${PASS_PHRASE.least} letters or more` }]);
      await setPassPhrase(store, body.passPhrase, now());
      if (body.endOthers) {
        const others = listDevices(store, now()).filter(({ id }) => id !== caller.device?.id);
        await endOthers(store, caller.device?.id ?? null);
        others.forEach(({ id }) => answering.breakOff(id));
      }
      return sessionOf(caller, context);
    },
  }),
];
