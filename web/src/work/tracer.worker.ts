import { keyOf } from '@yosomi/core/base';
import {
  type Quality,
  type Scene,
  type Stage,
  type Textures,
  modelOf,
  paperbackTextures,
  renderBand,
  stage,
} from '@yosomi/core/mockup';
import type { Art } from '@yosomi/core/recipe';
import { expose, transfer } from 'comlink';

/** What a band is cut from. `artKey` names art that was loaded before. */
export type TraceJob = {
  readonly artKey: string;
  readonly scene: Scene;
  readonly front: { readonly widthPx: number; readonly heightPx: number };
  readonly pageCount: number | null;
  readonly widthPx: number;
  readonly heightPx: number;
};

let art: { key: string; textures: Textures } | null = null;
let staged: { key: string; stage: Stage } | null = null;

function stageFor(job: TraceJob, strips: number): Stage {
  const key = keyOf({ job, strips });
  if (staged?.key !== key) {
    const { scene, front, pageCount, widthPx, heightPx } = job;
    staged = { key, stage: stage(scene, modelOf(scene, front, pageCount, strips), widthPx, heightPx) };
  }
  return staged.stage;
}

const api = {
  /** Takes a line to the worker that makes the art. */
  connect(port: MessagePort): void {
    expose(api, port);
  },

  load(key: string, pictures: Art, thicknessMm: number, pageCount: number | null): void {
    art = { key, textures: paperbackTextures(pictures, thicknessMm, pageCount) };
  },

  /** Rows y0..y1 of the picture; null where other art has been loaded meanwhile. */
  band(job: TraceJob, y0: number, y1: number, quality: Quality): Uint8ClampedArray<ArrayBuffer> | null {
    if (art?.key !== job.artKey) return null;
    const rows = renderBand(stageFor(job, quality.strips), art.textures, y0, y1, quality);
    return transfer(rows, [rows.buffer]);
  },
};

export type TracerApi = typeof api;

expose(api);
