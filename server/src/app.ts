import { existsSync, readdirSync } from 'node:fs';
import statics from '@fastify/static';
import Fastify, { type FastifyInstance } from 'fastify';
import { addIntake } from './intake';

/** Only the app's own files, plus blob: and data: for pictures it makes itself; compiled codecs and the font shaper are WASM. */
const POLICY = [
  "default-src 'none'",
  "script-src 'self' 'wasm-unsafe-eval'",
  "worker-src 'self'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' blob: data:",
  "font-src 'self'",
  "manifest-src 'self'",
  "connect-src 'self'",
  "base-uri 'none'",
  "form-action 'self'",
  "frame-ancestors 'none'",
].join('; ');

/** The unpacker of WOFF2 fonts and the finder of subjects build functions from strings; they may do that, and nothing else: they reach no address. */
const BUILDERS = /^\/assets\/(unpack-font|subject)\.worker-[\w-]+\.js$/;
const BUILDERS_POLICY = "default-src 'none'; script-src 'self' 'wasm-unsafe-eval' 'unsafe-eval'";

/** Files with their hash in the name never change; the page and what names them must always be asked for. */
const cacheFor = (url: string): string =>
  url.startsWith('/assets/')
    ? 'public, max-age=31536000, immutable'
    : url.startsWith('/icon')
      ? 'public, max-age=86400'
      : url.startsWith('/sw.js')
        ? 'no-cache'
        : 'no-store';

export type ServerOptions = {
  /** Folder of the built app. */
  readonly web: string;
  /** Folder of demo titles, null for none. */
  readonly demo: string | null;
};

/** The one server: the app's files, the demo titles, the stand-in stores, and a policy that lets nothing else in or out. */
export async function makeServer({ web, demo }: ServerOptions): Promise<FastifyInstance> {
  const app = Fastify({ bodyLimit: 1024 * 1024, requestTimeout: 60_000 });
  app.addHook('onSend', async (request, reply) => {
    reply.header('content-security-policy', BUILDERS.test(request.url) ? BUILDERS_POLICY : POLICY);
    reply.header('x-content-type-options', 'nosniff');
    reply.header('referrer-policy', 'no-referrer');
    reply.header('cross-origin-opener-policy', 'same-origin');
    reply.header('cache-control', cacheFor(request.url));
  });
  await app.register(statics, { root: web, cacheControl: false, preCompressed: true });
  if (demo) await app.register(statics, { root: demo, prefix: '/demo/', decorateReply: false });
  app.get('/api/demo', async () => {
    const files = demo && existsSync(demo) ? readdirSync(demo).filter((name) => name.endsWith('.yosomi')) : [];
    return { autoload: demo !== null, files: files.sort() };
  });
  await addIntake(app);
  // Addresses of titles, series and the house style belong to the app; anything else that is no file is not found.
  for (const own of ['/title/*', '/series/*', '/house'])
    app.get(own, (_request, reply) => reply.sendFile('index.html'));
  app.setNotFoundHandler((_request, reply) => reply.code(404).send({ error: 'not found' }));
  return app;
}
