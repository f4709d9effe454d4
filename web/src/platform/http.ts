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
