import matchesChange from '../../compiled/change';
import type { Change } from '../change/change';

/**
 * Returns whether something that the device keeps is a change of this program, which puts the fields of its kind in it. Its fields are the server's
 * to read, with all that this takes.
 */
export const isPendingChange = (input: unknown): input is Change => matchesChange(input);
