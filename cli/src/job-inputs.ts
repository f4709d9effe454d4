import { createHash } from 'node:crypto';
import { readFileSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { type Result, fail, ok } from '@yosomi/core/base';
import { VERSIONS } from '@yosomi/core/recipe';
import { z } from 'zod';
import { writeBytes } from './files';
import type { Job } from './job-file';

/** A file as it was when it was read; whatever is written to it changes one of these. */
const Stamp = z.object({ size: z.number(), modifiedMs: z.number(), changedMs: z.number(), file: z.number() });
type Stamp = z.infer<typeof Stamp>;

/** A file that a job is made from. */
export type Input = { readonly path: string; readonly stamp: Stamp };

const Known = z.object({
  format: z.literal('yosomi-inputs'),
  schema: z.literal(1),
  files: z.record(z.string(), Stamp.extend({ hash: z.string() })),
});
const KNOWN = '.yosomi-inputs.json';
/** What was written so shortly before it was read may have been written once more within the same tick of the clock. */
const SETTLED_MS = 2000;

const same = (a: Stamp, b: Stamp): boolean =>
  a.size === b.size && a.modifiedMs === b.modifiedMs && a.changedMs === b.changedMs && a.file === b.file;

/** Null where there is no such file. */
function stampOf(path: string): Stamp | null {
  try {
    const found = statSync(path);
    return found.isFile()
      ? { size: found.size, modifiedMs: found.mtimeMs, changedMs: found.ctimeMs, file: found.ino }
      : null;
  } catch {
    return null;
  }
}

export const hashOfFile = (path: string): string => createHash('sha256').update(readFileSync(path)).digest('base64url');

export const isAsBefore = (inputs: readonly Input[]): boolean =>
  inputs.every(({ path, stamp }) => {
    const now = stampOf(path);
    return now !== null && same(now, stamp);
  });

/** Of which bytes the files of jobs are. One that was not written since it was read last is not read again, by a later run neither. */
export class Inputs {
  readonly #known = new Map<string, Stamp & { hash: string }>();
  readonly #used = new Set<string>();

  constructor(
    private readonly base: string,
    private readonly root: string,
  ) {
    try {
      const read = Known.safeParse(JSON.parse(readFileSync(join(root, KNOWN), 'utf8')));
      if (read.success) for (const [path, known] of Object.entries(read.data.files)) this.#known.set(path, known);
    } catch {
      // Nothing is known, and all is read.
    }
  }

  pathOf = (name: string): string => resolve(this.base, name);

  /** The bytes of a file, as a sign of them; null where there is none that can be read. */
  hashAt(name: string): string | null {
    const read = this.#hashOf(name);
    return read.ok ? (read.value?.hash ?? null) : null;
  }

  /** Fault: `file-unreadable`. */
  #hashOf(name: string): Result<{ input: Input; hash: string } | null> {
    const path = this.pathOf(name);
    const stamp = stampOf(path);
    if (!stamp) return ok(null);
    this.#used.add(path);
    const known = this.#known.get(path);
    if (known && same(known, stamp)) return ok({ input: { path, stamp }, hash: known.hash });
    try {
      const hash = hashOfFile(path);
      this.#known.set(path, { ...stamp, hash });
      return ok({ input: { path, stamp }, hash });
    } catch {
      return fail('file-unreadable', { file: name });
    }
  }

  /**
   * The key of a job: of all that it is made from, and of what makes it. What it is `of` must be there; an option that names a file is that file.
   * Fault: `file-unreadable`.
   */
  keyOf(job: Job): Result<{ readonly key: string; readonly inputs: readonly Input[] }> {
    const inputs: Input[] = [];
    const hashes: [string, string][] = [];
    for (const [i, name] of [...job.of, ...Object.values(job.options)].entries()) {
      const read = this.#hashOf(name);
      if (!read.ok) return read;
      if (read.value) {
        inputs.push(read.value.input);
        hashes.push([name, read.value.hash]);
      } else if (i < job.of.length) return fail('file-unreadable', { file: name });
    }
    const { name: _, priority: __, ...made } = job;
    const key = createHash('sha256')
      .update(JSON.stringify([made, hashes, VERSIONS]))
      .digest('base64url');
    return ok({ key, inputs });
  }

  /** Notes what was read, for the next run. Faults: those of `writeBytes`. */
  note(): Result<void> {
    const now = Date.now();
    const settled = [...this.#known].filter(
      ([path, { modifiedMs, changedMs }]) => this.#used.has(path) && now - Math.max(modifiedMs, changedMs) > SETTLED_MS,
    );
    const files = Object.fromEntries(settled.sort(([a], [b]) => (a < b ? -1 : 1)));
    return writeBytes(join(this.root, KNOWN), `${JSON.stringify({ format: 'yosomi-inputs', schema: 1, files })}\n`);
  }
}

/** Folders of which it is remembered what was read of them. */
const MOST_FOLDERS = 16;
const remembered = new Map<string, Inputs>();

/** The files of jobs of a folder, as they are remembered in this thread. */
export function inputsOf(base: string, root: string): Inputs {
  const id = `${base}\n${root}`;
  const inputs = remembered.get(id) ?? new Inputs(base, root);
  if (remembered.size >= MOST_FOLDERS) remembered.clear();
  remembered.set(id, inputs);
  return inputs;
}
