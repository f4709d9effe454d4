import { type Remote, transfer, wrap } from 'comlink';
import { supervised } from './own-worker';
import type { StudioApi } from './studio.worker';
import type { TracerApi } from './tracer.worker';

const startStudio = (): Worker => new Worker(new URL('./studio.worker.ts', import.meta.url), { type: 'module' });

/** Holds fonts and pictures and paints what is on screen; its tracers go with it, for they are tied to it by lines. */
export const studio: Remote<StudioApi> = supervised<StudioApi>(startStudio, endTracers);

const forFiles = [supervised<StudioApi>(startStudio), supervised<StudioApi>(startStudio)] as const;

/** A second one for files, so that a long encode never holds up the screen; started when first needed. */
export const press = (): Remote<StudioApi> => forFiles[0];

/** Those that make many files side by side: two where there is a core for each. */
export const presses = (): readonly Remote<StudioApi>[] =>
  forFiles.slice(0, (navigator.hardwareConcurrency || 2) > 1 ? forFiles.length : 1);

export type Tracer = {
  readonly api: Remote<TracerApi>;
  /** Fails when the tracer is let go of: what it was asked then never comes. */
  readonly ended: Promise<never>;
};

let pool: (Tracer & { end(): void })[] | null = null;

/** Tracers, as many as cores but at most eight, started when first needed. */
export function tracers(): readonly Tracer[] {
  const count = Math.min(8, Math.max(1, navigator.hardwareConcurrency || 2));
  pool ??= Array.from({ length: count }, () => {
    const worker = new Worker(new URL('./tracer.worker.ts', import.meta.url), { type: 'module' });
    const api = wrap<TracerApi>(worker);
    const line = new MessageChannel();
    let fail: (reason: Error) => void = () => {};
    const ended = new Promise<never>((_, reject) => (fail = reject));
    ended.catch(() => {});
    const connected = [
      studio.connect(transfer(line.port1, [line.port1])),
      api.connect(transfer(line.port2, [line.port2])),
    ];
    Promise.race([ended, Promise.all(connected)]).catch(() => {});
    worker.addEventListener('error', dropTracers);
    worker.addEventListener('messageerror', dropTracers);
    const end = (): void => {
      worker.terminate();
      fail(new Error('a tracer ended'));
    };
    return { api, ended, end };
  });
  return pool;
}

function endTracers(): void {
  pool?.forEach(({ end }) => end());
  pool = null;
}

/** Lets go of all tracers, with what they hold; the next picture starts others. */
export function dropTracers(): void {
  endTracers();
  studio.dropTracers().catch(() => {});
}
