import { parseArgs } from 'node:util';
import { type Result, fail, ok } from '@yosomi/core/base';

export type Arguments = {
  readonly words: readonly string[];
  readonly flags: ReadonlyMap<string, string>;
  /** All values of each flag, in order; `flags` has the last. */
  readonly all: ReadonlyMap<string, readonly string[]>;
  readonly switches: ReadonlySet<string>;
};

/**
 * Splits a command line into words, `--flag value` (or `--flag=value`) pairs and `--switch`es; what follows `--` is words.
 * Faults: `flag-unknown`, `flag-empty`.
 */
export function parseArguments(
  argv: readonly string[],
  known: { flags: readonly string[]; switches: readonly string[] },
): Result<Arguments> {
  const options = Object.fromEntries([
    ...known.flags.map((name) => [name, { type: 'string' as const }]),
    ...known.switches.map((name) => [name, { type: 'boolean' as const }]),
  ]);
  // What is not known comes as it is, to be told by name.
  const { tokens } = parseArgs({ args: [...argv], options, strict: false, allowPositionals: true, tokens: true });
  const words: string[] = [];
  const flags = new Map<string, string>();
  const all = new Map<string, string[]>();
  const switches = new Set<string>();
  for (const token of tokens) {
    if (token.kind === 'positional') words.push(token.value);
    if (token.kind !== 'option') continue;
    const { name, value, rawName, inlineValue } = token;
    if (known.switches.includes(name) && rawName.startsWith('--')) switches.add(name);
    else if (!known.flags.includes(name) || !rawName.startsWith('--')) return fail('flag-unknown', { flag: rawName });
    else if (value === undefined || (!inlineValue && value.startsWith('--')))
      return fail('flag-empty', { flag: rawName });
    else {
      flags.set(name, value);
      all.set(name, [...(all.get(name) ?? []), value]);
    }
  }
  return ok({ words, flags, all, switches });
}
