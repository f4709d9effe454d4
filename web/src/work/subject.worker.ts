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

/** The picture that is looked through, with what was found in it without a word once that was asked for. */
let opened: { readonly picture: Raster; first: Uint8Array | null | undefined } | null = null;

/**
 * Finds what a picture is about. It has a worker of its own because the library builds functions from strings: the server lets
 * this one file do that and gives it no way to the network.
 */
const api = {
  open(picture: Raster): void {
    opened = { picture, first: undefined };
  },

  async find(hints: readonly Hint[]): Promise<Uint8Array<ArrayBuffer> | null> {
    await ready;
    if (!opened) return null;
    const { picture } = opened;
    const said = hintPixels(hints, picture.width, picture.height);
    if (opened.first === undefined) opened.first = grabCut(cv as Cv, picture, new Uint8Array(said.length));
    const kept = hints.length === 0 ? opened.first : grabCut(cv as Cv, picture, said, opened.first);
    if (!kept) return null;
    const copy = new Uint8Array(kept);
    return transfer(copy, [copy.buffer]);
  },
};

export type SubjectApi = typeof api;
expose(api);
