import type { TextApi } from './text.worker';
import { type OwnWorker, ownWorker } from './own-worker';

export type TextWorker = OwnWorker<TextApi>;

export const startTextWorker = (): TextWorker =>
  ownWorker<TextApi>(new Worker(new URL('./text.worker.ts', import.meta.url), { type: 'module' }));
