import { type Remote, transfer, wrap } from 'comlink';
import type { StudioApi } from './studio.worker';
import type { TracerApi } from './tracer.worker';

const startStudio = (): Remote<StudioApi> =>
  wrap<StudioApi>(new Worker(new URL('./studio.worker.ts', import.meta.url), { type: 'module' }));

/** Holds fonts and pictures and paints what is on screen; started with the page. */
export const studio: Remote<StudioApi> = startStudio();

let second: Remote<StudioApi> | null = null;

/** A second one for files, so that a long encode never holds up the screen; started when first needed. */
export function press(): Remote<StudioApi> {
  return (second ??= startStudio());
}

let pool: Remote<TracerApi>[] | null = null;

/** Tracers, as many as cores but at most eight, started when first needed. */
export function tracers(): Remote<TracerApi>[] {
  const count = Math.min(8, Math.max(1, navigator.hardwareConcurrency || 2));
  pool ??= Array.from({ length: count }, () => {
    const tracer = wrap<TracerApi>(new Worker(new URL('./tracer.worker.ts', import.meta.url), { type: 'module' }));
    const line = new MessageChannel();
    void studio.connect(transfer(line.port1, [line.port1]));
    void tracer.connect(transfer(line.port2, [line.port2]));
    return tracer;
  });
  return pool;
}
