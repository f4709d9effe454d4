// Threads begin in plain JavaScript: from here on they read the sources as they are, as the command itself does.
import { register } from 'tsx/esm/api';

register();
const { default: work } = await import('./deliver-worker.ts');
export default work;
