import { type Result, fail, ok } from '@yosomi/core/base';
import { type Profile, allProfiles, findProfile, readProfiles } from '@yosomi/core/stores';
import type { Arguments } from './arguments';
import { flag } from './command';
import { readBytes } from './files';

/** A person's own stores, from the file that `--stores` names; none where it is not given. */
export function ownStores(args: Arguments): Result<Profile[]> {
  const file = args.flags.get('stores');
  if (file === undefined) return ok([]);
  const bytes = readBytes(file);
  return bytes.ok ? readProfiles(bytes.value) : bytes;
}

/** The store that `--store` names. Faults: `store-unknown`, those of `ownStores`. */
export function storeFlag(args: Arguments): Result<Profile> {
  const id = flag(args, 'store');
  if (!id.ok) return id;
  const own = ownStores(args);
  if (!own.ok) return own;
  const profile = findProfile(id.value, own.value);
  const known = allProfiles(own.value).map((p) => p.id);
  return profile ? ok(profile) : fail('store-unknown', { store: id.value, known: known.join(', ') });
}

/** This moment as ebook files state it. */
export const nowText = (): string => new Date().toISOString().replace(/\.\d+Z$/, 'Z');
