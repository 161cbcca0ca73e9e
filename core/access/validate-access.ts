import matchesDeviceChange from '../compiled/device-change';
import matchesPassPhrase from '../compiled/new-pass-phrase';
import matchesSession from '../compiled/new-session';
import { validateWith, type Validated } from '../schema/validate';
import type { DeviceChange, NewPassPhrase, NewSession } from './access-schema';

/** Reads what a device comes in with: a pass phrase or a code, and not both. */
export const validateSession = (input: unknown): Validated<NewSession> =>
  validateWith<NewSession>(matchesSession, input, ({ passPhrase, code }) =>
    (passPhrase === undefined) === (code === undefined)
      ? [{ field: 'passPhrase', takes: 'the pass phrase of the workshop; or a code, but not both' }]
      : [],
  );

export const validateDeviceChange = (input: unknown): Validated<DeviceChange> =>
  validateWith<DeviceChange>(matchesDeviceChange, input);

export const validatePassPhrase = (input: unknown): Validated<NewPassPhrase> =>
  validateWith<NewPassPhrase>(matchesPassPhrase, input);
