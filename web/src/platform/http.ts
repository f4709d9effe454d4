import { type Result, fail, ok } from '@yosomi/core/base';
import { z } from 'zod';

const DemoList = z.object({ autoload: z.boolean(), files: z.array(z.string().regex(/^[a-z0-9-]+\.yosomi$/)) });

/** The demo books the server offers; none where there is no server. */
export async function demoList(): Promise<z.infer<typeof DemoList>> {
  const answer = await fetch('/api/demo').catch(() => null);
  if (!answer?.ok) return { autoload: false, files: [] };
  const parsed = DemoList.safeParse(await answer.json().catch(() => null));
  return parsed.success ? parsed.data : { autoload: false, files: [] };
}

export async function fetchBytes(url: string): Promise<Uint8Array<ArrayBuffer> | null> {
  const answer = await fetch(url).catch(() => null);
  return answer?.ok ? new Uint8Array(await answer.arrayBuffer()) : null;
}

const Answer = z.object({
  accepted: z.boolean(),
  findings: z.array(
    z.object({
      code: z.string().max(60),
      severity: z.enum(['must', 'should', 'note']),
      part: z.string().nullable(),
      data: z.record(z.string(), z.union([z.string(), z.number()])),
    }),
  ),
});
export type StoreAnswer = z.infer<typeof Answer>;

/** Sends a file to a stand-in store on the server. Faults: `send-offline`, `send-unknown`, `send-busy`, `send-refused`. */
export async function sendToStore(
  store: string,
  bytes: Uint8Array<ArrayBuffer>,
  name: string,
  signal: AbortSignal,
): Promise<Result<StoreAnswer>> {
  const form = new FormData();
  form.append('cover', new Blob([bytes]), name);
  const address = `/api/stores/${encodeURIComponent(store)}/intake`;
  const answer = await fetch(address, { method: 'POST', body: form, signal }).catch(() => null);
  if (!answer) return fail('send-offline');
  if (answer.status === 404) return fail('send-unknown', { store });
  if (answer.status === 503) return fail('send-busy');
  const parsed = Answer.safeParse(await answer.json().catch(() => null));
  return parsed.success ? ok(parsed.data) : fail('send-refused', { status: answer.status });
}
