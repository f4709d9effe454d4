import { resolve } from 'node:path';
import { type Result, fail, ok } from '@yosomi/core/base';
import { type Wishes, noWishes, patternFault } from '@yosomi/core/recipe';
import { allProfiles, findProfile } from '@yosomi/core/stores';
import type { Arguments } from './arguments';
import { type Command, type Outcome, flag, wholeFlag, word } from './command';
import { leftOver, readDone, removeLeftOver, writeDone } from './delivered';
import { Delivery, type DeliveryAsk } from './delivery';
import { makeFolder } from './files';
import { MOST_THREADS, hands, usualThreads } from './hands';
import { alone } from './lock';
import { ownStores } from './stores';

function wishesOf(args: Arguments): Result<Wishes> {
  const own = ownStores(args);
  if (!own.ok) return own;
  const pattern = args.flags.get('names') ?? null;
  const wrong = pattern === null ? null : patternFault(pattern);
  if (wrong) return { ok: false, fault: wrong };
  return ok({ ...noWishes, stores: own.value, pattern });
}

export const deliver: Command = {
  name: 'deliver',
  usage:
    'deliver BOOK.yosomi... --out DIR [--all-stores | --store ID,...] [--only stores|all] [--names PATTERN] [--stores S.json] [--threads N] [--tidy]',
  flags: ['out', 'only', 'names', 'stores', 'store', 'threads'],
  switches: ['all-stores', 'tidy'],
  async run(args, say) {
    const first = word(args, 0, 'title file');
    if (!first.ok) return first;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const only = args.flags.get('only') ?? 'all';
    if (only !== 'all' && only !== 'stores') return fail('only-wrong', { found: only });
    const wishes = wishesOf(args);
    if (!wishes.ok) return wishes;
    const stores = storesOf(args, wishes.value);
    if (!stores.ok) return stores;
    const threads = wholeFlag(args, 'threads', 1, MOST_THREADS, usualThreads());
    if (!threads.ok) return threads;
    const folder = makeFolder(out.value);
    if (!folder.ok) return folder;
    const ask = { root: out.value, wishes: wishes.value, stores: stores.value, onlyStores: only === 'stores' };
    return alone(out.value, () => deliverInto(ask, args, threads.value, say));
  },
};

/** Makes what the titles lack in a folder that nobody else works in. */
async function deliverInto(
  ask: DeliveryAsk,
  { words, switches }: Arguments,
  threads: number,
  say: (line: string) => void,
): Promise<Result<Outcome>> {
  const noted = readDone(ask.root);
  if (!noted.ok) return noted;
  const delivery = new Delivery(ask, noted.value, say);
  // A file that is named twice is one file.
  delivery.plan([...new Map(words.map((file) => [resolve(file), file])).values()]);
  const by = hands(Math.min(threads, delivery.lacking));
  const stop = (): void => {
    delivery.stop();
    by.stop();
  };
  process.once('SIGINT', stop);
  try {
    await delivery.make(by, threads);
  } finally {
    process.removeListener('SIGINT', stop);
    await by.close();
  }
  const { counts, done, stopped } = delivery;
  const left = stopped ? [] : leftOver(done, delivery.titles, delivery.wanted);
  // Where something failed, what was made before may be all that there is.
  const tidy = switches.has('tidy') && counts.failed === 0;
  const gone = tidy ? removeLeftOver(ask.root, done, left) : [];
  for (const path of left) say(`  ${gone.includes(path) ? 'removed' : 'left over'}: ${path}`);
  if (Object.keys(done.files).length > 0 || gone.length > 0) {
    const told = writeDone(ask.root, done);
    if (!told.ok) return told;
  }
  const over = left.length - gone.length;
  const more = [
    ...(gone.length > 0 ? [`${gone.length} removed`] : []),
    ...(over > 0
      ? [
          `${over} left over${tidy ? ', not as they were made' : switches.has('tidy') ? ', kept as something failed' : ', removed by --tidy'}`,
        ]
      : []),
    ...(stopped ? ['stopped'] : []),
  ];
  const print = [`${counts.made} made, ${counts.kept} up to date, ${counts.failed} failed`, ...more].join(', ');
  return ok({ print, passed: counts.failed === 0 && !stopped });
}

/** The stores that a run is for, whatever titles say; null for those of each title. Faults: `store-unknown`, `stores-both`. */
function storesOf(args: Arguments, wishes: Wishes): Result<string[] | null> {
  const named = args.flags.get('store');
  const all = args.switches.has('all-stores');
  if (named !== undefined && all) return fail('stores-both');
  if (all) return ok(allProfiles(wishes.stores).map((p) => p.id));
  if (named === undefined) return ok(null);
  const ids = [...new Set(named.split(',').map((id) => id.trim()))].filter((id) => id !== '');
  const unknown = ids.find((id) => !findProfile(id, wishes.stores));
  return unknown !== undefined || ids.length === 0
    ? fail('store-unknown', {
        store: unknown ?? named,
        known: allProfiles(wishes.stores)
          .map((p) => p.id)
          .join(', '),
      })
    : ok(ids);
}
