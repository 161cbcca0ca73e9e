import matchesFollowingChange from '../compiled/following-change';
import matchesNewPerson from '../compiled/new-person';
import matchesOwnPhrase from '../compiled/own-phrase';
import matchesPersonChange from '../compiled/person-change';
import matchesPick from '../compiled/pick';
import { validateWith, type Validated } from '../schema/validate';
import type { FollowingChange, NewPerson, OwnPhrase, PersonChange, Pick } from './people-schema';

export const validateNewPerson = (input: unknown): Validated<NewPerson> =>
  validateWith<NewPerson>(matchesNewPerson, input);
export const validatePersonChange = (input: unknown): Validated<PersonChange> =>
  validateWith<PersonChange>(matchesPersonChange, input);
export const validatePick = (input: unknown): Validated<Pick> => validateWith<Pick>(matchesPick, input);
export const validateOwnPhrase = (input: unknown): Validated<OwnPhrase> =>
  validateWith<OwnPhrase>(matchesOwnPhrase, input);
export const validateFollowing = (input: unknown): Validated<FollowingChange> =>
  validateWith<FollowingChange>(matchesFollowingChange, input);
