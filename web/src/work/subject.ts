import type { Hint } from '@yosomi/core/darkroom';
import type { Raster } from '@yosomi/core/pixels';
import { ownWorker } from './own-worker';
import type { SubjectApi } from './subject.worker';

/** Finds what a picture is about, in a worker of its own, which is ended with it. */
export type SubjectFinder = {
  /** 1 kept, 0 not; null where nothing could be told apart. Fails when it is ended or its worker breaks. */
  find(hints: readonly Hint[]): Promise<Uint8Array | null>;
  end(): void;
};

export function subjectFinder(picture: Raster): SubjectFinder {
  const { api, ask, end } = ownWorker<SubjectApi>(
    new Worker(new URL('./subject.worker.ts', import.meta.url), { type: 'module' }),
  );
  const opened = ask(api.open(picture));
  return {
    async find(hints) {
      await opened;
      return ask(api.find(hints));
    },
    end,
  };
}
