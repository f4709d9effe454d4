import { keyOf } from '@yosomi/core/base';
import { type Quality, type Stage, stage } from '@yosomi/core/mockup';
import type { TraceJob } from './tracer.worker';

/** Prepares stages and keeps the last one: bands of one picture ask for the same again and again. */
export function lastStage(): (job: TraceJob, quality: Quality) => Stage {
  let last: { key: string; stage: Stage } | null = null;
  return (job, { strips, cells, lens }) => {
    const smooth = { strips, cells, lens };
    const key = keyOf({ job, smooth });
    if (last?.key !== key) last = { key, stage: stage(job.scene, job.subjects, job.widthPx, job.heightPx, smooth) };
    return last.stage;
  };
}
