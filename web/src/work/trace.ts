import { BAND, FINAL, type Layers, PREVIEW, type Quality, type Scene, bands } from '@yosomi/core/mockup';
import { type Raster, raster } from '@yosomi/core/pixels';
import type { Book } from '@yosomi/core/project';
import { type Others, artKey, noOthers, subjectsOf } from '@yosomi/core/recipe';
import type { TraceJob } from './tracer.worker';
import { dropTracers, studio, tracers } from './workers';

let loaded: { key: string; ready: Promise<void> } | null = null;

/** Makes the art of a scene and hands it to every tracer, once for each state of what it shows. */
export function loadArt(book: Book, scene: Scene, others: Others, mostPx: number | null = null): Promise<void> {
  const key = keyAt(artKey(book, scene, others), mostPx);
  if (loaded?.key !== key) {
    tracers();
    const ready = studio.sendArt(book, scene, [...others.values()], mostPx, key);
    loaded = { key, ready };
    ready.catch(() => {
      // Most likely there was no memory for the art: whatever the tracers still hold of earlier art goes too.
      if (loaded?.key !== key) return;
      loaded = null;
      dropTracers();
    });
  }
  return loaded.ready;
}

/** Art of fewer pixels is other art. */
const keyAt = (key: string, mostPx: number | null): string => (mostPx === null ? key : `${key} ${mostPx}`);

/** Art that was made for several scenes together, by a scene that has all their things, its fronts at most `mostPx` wide. */
export type SharedArt = { readonly scene: Scene; readonly mostPx: number | null };

export function traceJob(
  book: Book,
  scene: Scene,
  others: Others,
  { widthPx, heightPx }: { readonly widthPx: number; readonly heightPx: number },
  art: SharedArt = { scene, mostPx: null },
): TraceJob {
  const key = keyAt(artKey(book, art.scene, others), art.mostPx);
  return { artKey: key, scene, subjects: subjectsOf(book, scene, others), widthPx, heightPx };
}

export type TraceOptions = {
  readonly signal?: AbortSignal;
  readonly layers?: Layers;
  readonly onBand?: (rows: Uint8ClampedArray<ArrayBuffer>, y0: number) => void;
  readonly onProgress?: (done: number) => void;
};

/** A picture by all tracers together; null when it was aborted or the art changed under it. */
export async function trace(job: TraceJob, quality: Quality, options: TraceOptions = {}): Promise<Raster | null> {
  const workers = tracers();
  const rows = quality === FINAL ? bands(job.heightPx) : evenBands(job.heightPx, workers.length);
  const out = raster(job.widthPx, job.heightPx);
  let next = 0;
  let done = 0;
  let broken = false;
  await Promise.all(
    workers.map(async ({ api, ended }) => {
      while (next < rows.length && !broken && !options.signal?.aborted) {
        const [y0, y1] = rows[next++];
        const band = await Promise.race([ended, api.band(job, y0, y1, quality, options.layers ?? null)]);
        if (!band) {
          broken = true;
          return;
        }
        out.data.set(band, y0 * job.widthPx * 4);
        done++;
        options.onBand?.(band, y0);
        options.onProgress?.(done / rows.length);
      }
    }),
  );
  return broken || options.signal?.aborted ? null : out;
}

/** For a preview: one band a worker, of equal height, so that none waits for another. */
function evenBands(height: number, count: number): [number, number][] {
  const step = Math.max(BAND / 2, Math.ceil(height / count));
  return Array.from({ length: Math.ceil(height / step) }, (_, i) => [i * step, Math.min(height, (i + 1) * step)]);
}

/** The thing under a point of the picture; null where there is none. */
export async function thingAt(job: TraceJob, x: number, y: number): Promise<number | null> {
  const [{ api, ended }] = tracers();
  return Promise.race([ended, api.thingAt(job, x, y)]);
}

/** The things of a scene on nothing. Makes sure of the art first. */
export async function traceBook(
  book: Book,
  scene: Scene,
  size: { widthPx: number; heightPx: number },
  quality: Quality,
  options: TraceOptions & { readonly others?: Others; readonly art?: SharedArt } = {},
): Promise<Raster | null> {
  const others = options.others ?? noOthers;
  await loadArt(book, options.art?.scene ?? scene, others, options.art?.mostPx);
  return trace(traceJob(book, scene, others, size, options.art), quality, options);
}

export { FINAL, PREVIEW };
