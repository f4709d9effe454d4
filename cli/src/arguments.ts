import { type Result, fail, ok } from '@yosomi/core/base';

export type Arguments = {
  readonly words: readonly string[];
  readonly flags: ReadonlyMap<string, string>;
  /** All values of each flag, in order; `flags` has the last. */
  readonly all: ReadonlyMap<string, readonly string[]>;
  readonly switches: ReadonlySet<string>;
};

/**
 * Splits a command line into words, `--flag value` pairs and `--switch`es. Faults: `flag-unknown`, `flag-empty`.
 */
export function parseArguments(
  argv: readonly string[],
  known: { flags: readonly string[]; switches: readonly string[] },
): Result<Arguments> {
  const words: string[] = [];
  const flags = new Map<string, string>();
  const all = new Map<string, string[]>();
  const switches = new Set<string>();
  for (let i = 0; i < argv.length; i++) {
    const word = argv[i];
    if (!word.startsWith('--')) {
      words.push(word);
      continue;
    }
    const name = word.slice(2);
    if (known.switches.includes(name)) switches.add(name);
    else if (!known.flags.includes(name)) return fail('flag-unknown', { flag: word });
    else {
      const value = argv[++i];
      if (value === undefined || value.startsWith('--')) return fail('flag-empty', { flag: word });
      flags.set(name, value);
      all.set(name, [...(all.get(name) ?? []), value]);
    }
  }
  return ok({ words, flags, all, switches });
}
