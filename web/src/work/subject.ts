import type { Hint } from '@yosomi/core/darkroom';
import type { Raster } from '@yosomi/core/pixels';
import { ownWorker } from './own-worker';
import type { SubjectApi } from './subject.worker';

/** Finds what a picture is about, in a worker of its own, which is ended with it. */
export type SubjectFinder = {
  /** 1 kept, 0 not; null where nothing could be told apart. `first` is what was found without strokes, where that is known. Fails when it is ended or its worker breaks. */
  find(picture: Raster, hints: readonly Hint[], first: Uint8Array | null): Promise<Uint8Array | null>;
  end(): void;
};

export function subjectFinder(): SubjectFinder {
  const { api, ask, end } = ownWorker<SubjectApi>(
    new Worker(new URL('./subject.worker.ts', import.meta.url), { type: 'module' }),
  );
  return { find: (picture, hints, first) => ask(api.find(picture, hints, first)), end };
}
