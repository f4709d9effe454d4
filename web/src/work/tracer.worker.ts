import {
  FINAL,
  type Layers,
  type Quality,
  type Scene,
  type ThingSubject,
  renderBand,
  thingUnder,
} from '@yosomi/core/mockup';
import type { Textures } from '@yosomi/core/warp';
import { type SceneArt, sceneTextures } from '@yosomi/core/recipe';
import { expose, transfer } from 'comlink';
import { lastStage } from './staged';

/** What a band is cut from. `artKey` names art that was loaded before. */
export type TraceJob = {
  readonly artKey: string;
  readonly scene: Scene;
  readonly subjects: readonly ThingSubject[];
  readonly widthPx: number;
  readonly heightPx: number;
};

let art: { key: string; textures: Textures } | null = null;
const stageFor = lastStage();

const api = {
  /** Takes a line to the worker that makes the art. */
  connect(port: MessagePort): void {
    expose(api, port);
  },

  load(key: string, made: SceneArt): void {
    art = { key, textures: sceneTextures(made) };
  },

  /** Rows y0..y1 of the picture; null where other art has been loaded meanwhile. */
  band(
    job: TraceJob,
    y0: number,
    y1: number,
    quality: Quality,
    layers: Layers | null,
  ): Uint8ClampedArray<ArrayBuffer> | null {
    if (art?.key !== job.artKey) return null;
    const rows = renderBand(stageFor(job, quality), art.textures, y0, y1, quality, layers ?? undefined);
    return transfer(rows, [rows.buffer]);
  },

  thingAt: (job: TraceJob, x: number, y: number): number | null => thingUnder(stageFor(job, FINAL), x, y),
};

export type TracerApi = typeof api;

expose(api);
