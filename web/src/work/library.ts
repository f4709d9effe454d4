import type { LibraryAsk } from '@yosomi/core/library';
import { eachOwn } from '../persist/library';
import type { Found, LibraryApi, LibraryFacts, OwnHits } from './library.worker';
import { type OwnWorker, ownWorker } from './own-worker';

/** A person's own pictures as they are stored now, ready to be searched by a worker, so that thousands stop nothing. */
export class OwnLibrary {
  private running: OwnWorker<LibraryApi> | null = null;
  private reading: Promise<unknown> = Promise.resolve();

  private start(): OwnWorker<LibraryApi> {
    const broken = (): void => {
      this.running = null;
    };
    this.running ??= ownWorker<LibraryApi>(
      new Worker(new URL('./library.worker.ts', import.meta.url), { type: 'module' }),
      broken,
    );
    return this.running;
  }

  /** The one that has read them: a new one would say that there are none. */
  private get reader(): OwnWorker<LibraryApi> {
    if (!this.running) throw new Error('nothing is read');
    return this.running;
  }

  /** Reads what is stored now; a reading that is under way comes first. */
  read(): Promise<LibraryFacts> {
    const next = this.reading.then(async () => {
      const { api, ask } = this.start();
      await ask(api.begin());
      await eachOwn((values) => ask(api.some(values)));
      return ask(api.end());
    });
    this.reading = next.catch(() => {});
    return next;
  }

  async search(ask: LibraryAsk): Promise<OwnHits> {
    return this.reader.ask(this.reader.api.search(ask));
  }

  /** Those that are nearly the same as one, the nearest first. */
  async nearOf(id: string): Promise<Found[]> {
    return this.reader.ask(this.reader.api.nearOf(id));
  }

  /** Frees what it holds; it can be read again. */
  end(): void {
    this.running?.end();
    this.running = null;
  }
}
