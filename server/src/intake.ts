import multipart from '@fastify/multipart';
import { verdictOf } from '@yosomi/core/recipe';
import { findProfile } from '@yosomi/core/stores';
import type { FastifyInstance, FastifyReply } from 'fastify';
import { Clients, Gate } from './gate';
import { judge } from './judge';

/** Most bytes of one upload: a little over the largest that any store takes. */
export const MOST_UPLOAD = 52 * 1024 * 1024;
const AT_A_TIME = 2;
const WAITING = 24;

/** Fails when the sender has gone: nobody waits for an answer then, and what was to come never comes. */
const gone = (reply: FastifyReply): Promise<never> =>
  new Promise((_, reject) => {
    const leave = (): void => reject(new Error('the sender has gone'));
    if (reply.raw.closed || reply.raw.destroyed || reply.raw.socket?.destroyed !== false) leave();
    else reply.raw.once('close', leave);
  });

/** The bytes of an upload; null as soon as they are more than one may have. */
async function bytesOf(file: AsyncIterable<Buffer> & { readonly truncated: boolean }): Promise<Buffer | null> {
  const parts: Buffer[] = [];
  let length = 0;
  for await (const part of file) {
    parts.push(part);
    length += part.length;
    if (length >= MOST_UPLOAD) return null;
  }
  return file.truncated ? null : Buffer.concat(parts);
}

/**
 * Stand-in stores: `POST /api/stores/:id/intake` takes one file as multipart/form-data and answers
 * `{ store, accepted, findings }` with 200 or 422; `{ error }` with 400 (no file), 404 (no such store), 413 (too large),
 * 415 (no multipart) or 503 (too many at once). Names that are sent along are not used for anything.
 */
export async function addIntake(app: FastifyInstance): Promise<void> {
  const gate = new Gate(AT_A_TIME, WAITING);
  const clients = new Clients(WAITING);
  await app.register(multipart, {
    limits: { fileSize: MOST_UPLOAD, files: 1, fields: 4, fieldSize: 1024, parts: 6, headerPairs: 40 },
  });
  const refuse = (reply: FastifyReply, status: number, error: string) => {
    // What is still on its way is not read.
    if (status !== 422) reply.header('connection', 'close');
    return reply.code(status).send({ error });
  };
  app.post<{ Params: { id: string } }>(
    '/api/stores/:id/intake',
    { bodyLimit: MOST_UPLOAD + 65_536 },
    async (request, reply) => {
      const profile = findProfile(request.params.id);
      if (!profile) return refuse(reply, 404, 'no such store');
      if (!request.isMultipart()) return refuse(reply, 415, 'send one file as multipart/form-data');
      if (Number(request.headers['content-length'] ?? 0) > MOST_UPLOAD + 65_536)
        return refuse(reply, 413, 'the file is too large');
      const own = await clients.enter(request.ip);
      const leave = own && (await gate.enter());
      if (own && !leave) own();
      if (!own || !leave) return refuse(reply.header('retry-after', '5'), 503, 'too many uploads at once');
      try {
        const part = await Promise.race([request.file(), gone(reply)]);
        if (!part) return refuse(reply, 400, 'no file was sent');
        const bytes = await Promise.race([bytesOf(part.file), gone(reply)]);
        if (!bytes) return refuse(reply, 413, 'the file is too large');
        const judged = await judge(bytes, profile);
        if (!judged.ok) return refuse(reply, 422, 'the file cannot be read as an image or an ebook');
        const accepted = verdictOf(judged.value) !== 'fails';
        return reply.code(accepted ? 200 : 422).send({ store: profile.id, accepted, findings: judged.value });
      } catch {
        return refuse(reply, 400, 'the upload broke off or is not valid');
      } finally {
        leave();
        own();
      }
    },
  );
}
