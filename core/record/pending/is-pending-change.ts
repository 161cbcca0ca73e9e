import matchesChange from '../../compiled/change';
import type { WaitingChange } from '../shapes/change-schema';

/** A change as the device keeps it while it waits: its fields are the server's to read, with all that this takes. */
export const isWaitingChange = (input: unknown): input is WaitingChange => matchesChange(input);
