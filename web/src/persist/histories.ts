import { type History, type Step, emptyHistory } from '@yosomi/core/base';
import { z } from 'zod';
import { db } from './db';

const Patch = z.object({
  op: z.enum(['add', 'remove', 'replace']),
  path: z.array(z.union([z.string(), z.number()])),
  value: z.unknown(),
});
const StoredStep = z.object({
  label: z.string(),
  merge: z.string().nullable(),
  forward: z.array(Patch),
  back: z.array(Patch),
});

/** A history with the numbers under which its steps are stored: a step is written once. */
export type KeptHistory = { readonly history: History; readonly numbers: Map<Step, number> };

export const noHistory = (): KeptHistory => ({ history: emptyHistory, numbers: new Map() });

const rowId = (title: string, n: number): string => `${title}/${n}`;

/** Reads a history; one with a missing or damaged step is dropped whole, since the rest would not fit. */
export async function loadHistory(title: string, order: readonly number[], done: number): Promise<KeptHistory> {
  const rows = await db.steps.bulkGet(order.map((n) => rowId(title, n)));
  const steps: Step[] = [];
  for (const row of rows) {
    const step = StoredStep.safeParse(row?.step);
    if (!step.success) return noHistory();
    steps.push(step.data as Step);
  }
  const numbers = new Map(steps.map((step, i) => [step, order[i]]));
  return { history: { past: steps.slice(0, done), future: steps.slice(done) }, numbers };
}

/** Writes the steps that are new, removes those that are gone; inside the transaction that writes the title. */
export async function writeSteps(title: string, kept: KeptHistory): Promise<{ order: number[]; done: number }> {
  const { history, numbers } = kept;
  const steps = [...history.past, ...history.future];
  let next = Math.max(-1, ...numbers.values()) + 1;
  const fresh: { id: string; title: string; step: Step }[] = [];
  for (const step of steps) {
    if (numbers.has(step)) continue;
    numbers.set(step, next);
    fresh.push({ id: rowId(title, next), title, step });
    next++;
  }
  const current = new Set(steps);
  const gone = [...numbers].filter(([step]) => !current.has(step));
  gone.forEach(([step]) => numbers.delete(step));
  if (fresh.length > 0) await db.steps.bulkPut(fresh);
  if (gone.length > 0) await db.steps.bulkDelete(gone.map(([, n]) => rowId(title, n)));
  return { order: steps.map((step) => numbers.get(step) ?? 0), done: history.past.length };
}
