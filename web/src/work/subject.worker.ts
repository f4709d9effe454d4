import './opencv-ground';
import cv from '@techstark/opencv-js';
import { type Hint, hintPixels } from '@yosomi/core/darkroom';
import type { Raster } from '@yosomi/core/pixels';
import { expose, transfer } from 'comlink';
import { type Cv, grabCut } from './grab-cut';

/** Its module is a promise of its own kind: awaiting it would never end, so it is waited for by its call. */
const ready = new Promise<void>((resolve) => {
  const module = cv as Cv & { onRuntimeInitialized?: () => void };
  if (module.Mat) resolve();
  else module.onRuntimeInitialized = () => resolve();
});

/**
 * Finds what a picture is about. It has a worker of its own because the library builds functions from strings: the server lets
 * this one file do that and gives it no way to the network.
 */
const api = {
  async find(
    picture: Raster,
    hints: readonly Hint[],
    first: Uint8Array | null,
  ): Promise<Uint8Array<ArrayBuffer> | null> {
    await ready;
    const kept = grabCut(cv as Cv, picture, hintPixels(hints, picture.width, picture.height), first);
    if (!kept) return null;
    const copy = new Uint8Array(kept);
    return transfer(copy, [copy.buffer]);
  },
};

export type SubjectApi = typeof api;
expose(api);
