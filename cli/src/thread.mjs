// Threads begin in plain JavaScript: from here on they read the sources as they are, as the command itself does.
import { register } from 'tsx/esm/api';

register();

/** The files of one title. */
export default async (task) => (await import('./deliver-worker.ts')).default(task);

/** One job of a file of jobs. */
export const job = async (task) => (await import('./job-do.ts')).doJob(task);
