import type { EbookApi } from './ebook.worker';
import { type OwnWorker, ownWorker } from './own-worker';

export type EbookWorker = OwnWorker<EbookApi>;

export const startEbookWorker = (): EbookWorker =>
  ownWorker<EbookApi>(new Worker(new URL('./ebook.worker.ts', import.meta.url), { type: 'module' }));
