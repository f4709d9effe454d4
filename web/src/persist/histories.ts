import { type History, type Step, versioned } from '@yosomi/core/base';
import { readStep } from '@yosomi/core/project';
import { z } from 'zod';
import { db } from './db';

const path = z.array(z.union([z.string(), z.number()]));
const Patch = z.discriminatedUnion('op', [
  // What is removed has no value, and what becomes undefined loses it in some stores.
  z.object({ op: z.literal('remove'), path }),
  z.object({ op: z.literal('add'), path, value: z.unknown().optional() }),
  z.object({ op: z.literal('replace'), path, value: z.unknown().optional() }),
]);
const StoredStep = z.object({
  schema: z.literal(1),
  label: z.string(),
  merge: z.string().nullable(),
  // Said only by what was made in several titles at once.
  shared: z.object({ id: z.string().max(40), titles: z.array(z.string()) }).optional(),
  forward: z.array(Patch),
  back: z.array(Patch),
});

/** A step as it is stored: the shape of its patches, not of what they change. The first releases gave it no number. */
export const Steps = versioned('step', StoredStep, [], { newer: 'kept-newer', wrong: 'kept-wrong', unnumbered: 1 });

/** A history with the numbers under which its steps are stored: a step is written once. */
export type KeptHistory = { readonly history: History; readonly numbers: Map<Step, number> };

/** Steps of a title lie side by side under `id/number`. */
const rowId = (title: string, n: number): string => `${title}/${n}`;

/**
 * Reads a history. A step leads only from the state beside it: where one is missing or damaged, those that lie beyond it,
 * seen from the present state, are left out, and counted in `lost`. Steps made on a document of an earlier `schema` are
 * brought along with it.
 */
export async function loadHistory(
  title: string,
  order: readonly number[],
  done: number,
  schema: number,
): Promise<{ kept: KeptHistory; lost: number }> {
  const rows = await db.steps.bulkGet(order.map((n) => rowId(title, n)));
  const steps = rows.map((row): Step | null => {
    const read = Steps.read(row?.step);
    if (!read.ok) return null;
    const { label, merge, forward, back, shared } = read.value;
    return readStep({ label, merge, forward, back, ...(shared && { shared }) } as Step, schema);
  });
  const lastBroken = steps.slice(0, done).lastIndexOf(null);
  const nextBroken = steps.indexOf(null, done);
  const from = lastBroken + 1;
  const to = nextBroken < 0 ? steps.length : nextBroken;
  const whole = steps.slice(from, to) as Step[];
  const numbers = new Map(whole.map((step, i) => [step, order[from + i]]));
  const history = { past: whole.slice(0, done - from), future: whole.slice(done - from) };
  return { kept: { history, numbers }, lost: steps.length - whole.length };
}

/** Writes the steps that are new, removes those that are gone; inside the transaction that writes the title. */
export async function writeSteps(title: string, kept: KeptHistory): Promise<{ order: number[]; done: number }> {
  const { history, numbers } = kept;
  const steps = [...history.past, ...history.future];
  const current = new Set(steps);
  for (const step of numbers.keys()) if (!current.has(step)) numbers.delete(step);
  const stored = await db.steps.where('title').equals(title).primaryKeys();
  const numberOf = (id: string): number => Number(id.slice(title.length + 1));
  // Above every number that is or was in use, so that no row is ever written over.
  let next = Math.max(-1, ...numbers.values(), ...stored.map(numberOf).filter(Number.isFinite)) + 1;
  const fresh: { id: string; title: string; step: Step & { schema: 1 } }[] = [];
  for (const step of steps) {
    if (numbers.has(step)) continue;
    numbers.set(step, next);
    fresh.push({ id: rowId(title, next), title, step: { schema: 1, ...step } });
    next++;
  }
  const wanted = new Set([...numbers.values()].map((n) => rowId(title, n)));
  const gone = stored.filter((id) => !wanted.has(id));
  if (fresh.length > 0) await db.steps.bulkPut(fresh);
  if (gone.length > 0) await db.steps.bulkDelete(gone);
  return { order: steps.map((step) => numbers.get(step) ?? 0), done: history.past.length };
}
