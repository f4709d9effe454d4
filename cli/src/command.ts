import { type Result, fail, ok } from '@yosomi/core/base';
import type { Arguments } from './arguments';

/** What a command prints, and whether what it checked passed. */
export type Outcome = { readonly print: string; readonly passed: boolean };

export type Command = {
  readonly name: string;
  readonly usage: string;
  readonly flags: readonly string[];
  readonly switches: readonly string[];
  /** Options that name a file to be written, with the endings that it may have; null for any. */
  readonly writes?: Readonly<Record<string, readonly string[] | null>>;
  /** `say` shows how far it is, line by line, while it works. */
  run(args: Arguments, say: (line: string) => void): Promise<Result<Outcome>>;
};

export const done = (print = ''): Result<Outcome> => ok({ print, passed: true });

export function flag(args: Arguments, name: string): Result<string> {
  const value = args.flags.get(name);
  return value === undefined ? fail('flag-missing', { flag: name }) : ok(value);
}

export function word(args: Arguments, at: number, what: string): Result<string> {
  const value = args.words[at];
  return value === undefined ? fail('word-missing', { what }) : ok(value);
}

/** A whole number from `low` to `high`; `missed` where the option is not given. Fault: `size-wrong`. */
export function wholeFlag<M>(args: Arguments, name: string, low: number, high: number, missed: M): Result<number | M> {
  const text = args.flags.get(name);
  if (text === undefined) return ok(missed);
  const n = Number(text);
  return Number.isInteger(n) && n >= low && n <= high ? ok(n) : fail('size-wrong', { flag: name, low, high });
}
