import { engineFrom } from '../db/engine/connection';

/**
 * For what libSQL cannot do within one process: it lets go of a file only when the process ends, so that nobody has the database for
 * themselves before.
 */
export const itOnSqlite = engineFrom(process.env).kind === 'sqlite' ? it : it.skip;
