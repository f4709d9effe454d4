import { type Result, fail, ok } from '@yosomi/core/base';
import { type TextRead, type TextTaken, readTextFile } from '@yosomi/core/recipe';
import { expose, transfer } from 'comlink';
import { BrowserStudio } from './browser-studio';

/** What there is to choose from in a text that is read. */
export type TextChoice = Pick<TextRead, 'chapters' | 'isBook'>;

const studio = new BrowserStudio();
let read: TextRead | null = null;

/** Reads the text of one file; a worker of its own, so that to stop it is to end it. */
const api = {
  async open(file: Blob, name: string): Promise<Result<TextChoice>> {
    const found = await readTextFile(file, name);
    if (!found.ok) return found;
    read = found.value;
    return ok({ chapters: read.chapters, isBook: read.isBook });
  },

  /** The chosen chapters, by their places, with their pictures; all where it is null. */
  async take(
    chosen: readonly number[] | null,
    onProgress: (done: number, of: number) => void,
  ): Promise<Result<TextTaken>> {
    if (!read) return fail('text-format');
    const taken = await read.take(studio, chosen && new Set(chosen), onProgress);
    if (!taken.ok) return taken;
    // Parts of one archive may lie in one piece of memory.
    const buffers = new Set(taken.value.pictures.map(({ bytes }) => bytes.buffer));
    return transfer(taken, [...buffers]);
  },
};

export type TextApi = typeof api;
expose(api);
