import matchesChange from '../../compiled/change';
import type { PendingChange } from '../shapes/change-schema';

/** A change as the device keeps it while it waits: its fields are the server's to read, with all that this takes. */
export const isPendingChange = (input: unknown): input is PendingChange => matchesChange(input);
