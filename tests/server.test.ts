import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { makeServer } from '@yosomi/server';

let web: string;
let demo: string;
let app: Awaited<ReturnType<typeof makeServer>>;
beforeAll(async () => {
  web = mkdtempSync(join(tmpdir(), 'web-'));
  demo = mkdtempSync(join(tmpdir(), 'demo-'));
  writeFileSync(join(web, 'index.html'), '<!doctype html><title>Yosomi</title>');
  writeFileSync(join(web, 'app.js'), 'export {};');
  writeFileSync(join(demo, '1-one.yosomi'), 'one');
  writeFileSync(join(demo, 'note.txt'), 'not listed');
  app = await makeServer({ web, demo });
});
afterAll(async () => {
  await app.close();
  for (const folder of [web, demo]) rmSync(folder, { recursive: true });
});

describe('the server', () => {
  it.each(['/', '/series/The%20Quay%20Books', '/title/abc/front', '/title/abc/deliver?x=1'])(
    'answers %s with the app',
    async (url) => {
      const answer = await app.inject({ url });
      expect(answer.statusCode).toBe(200);
      expect(answer.body).toContain('<title>Yosomi');
    },
  );

  it('lets nothing but its own files in, on every answer', async () => {
    for (const url of ['/', '/app.js', '/api/demo', '/nothing.js']) {
      const policy = String((await app.inject({ url })).headers['content-security-policy']);
      expect(policy).toContain("default-src 'none'");
      expect(policy).toContain("connect-src 'self'");
      expect(policy).not.toMatch(/https?:|\*/);
    }
  });

  it('lets the unpacker of fonts and the finder of subjects build functions, and gives them no address to reach', async () => {
    const policy = async (url: string): Promise<string> =>
      String((await app.inject({ url })).headers['content-security-policy']);
    for (const name of ['unpack-font', 'subject']) {
      const own = await policy(`/assets/${name}.worker-AbC_12-x.js`);
      expect(own).toContain("'unsafe-eval'");
      expect(own).not.toContain('connect-src');
      expect(own).toContain("default-src 'none'");
    }
    for (const url of [
      '/assets/studio.worker-AbC.js',
      '/unpack-font.worker-AbC.js',
      '/assets/subject.worker-A.js/x',
      '/assets/unpack-font.worker-A.js/x',
    ])
      expect(await policy(url)).not.toContain("'unsafe-eval'");
  });

  it('lists and serves the demo titles', async () => {
    expect((await app.inject({ url: '/api/demo' })).json()).toEqual({ autoload: true, files: ['1-one.yosomi'] });
    expect((await app.inject({ url: '/demo/1-one.yosomi' })).body).toBe('one');
    const none = await makeServer({ web, demo: null });
    expect((await none.inject({ url: '/api/demo' })).json()).toEqual({ autoload: false, files: [] });
    await none.close();
  });

  it.each([
    '/nothing.js',
    '/api/other',
    '/../package.json',
    '/%2e%2e/%2e%2e/etc/passwd',
    '/demo/../../etc/passwd',
    '/demo/none.yosomi',
  ])('has no %s', async (url) => {
    const answer = await app.inject({ url });
    expect([400, 403, 404]).toContain(answer.statusCode);
    expect(answer.body).not.toContain('root:');
  });

  it('takes nothing in', async () => {
    for (const method of ['POST', 'PUT', 'DELETE'] as const)
      expect((await app.inject({ method, url: '/', payload: 'x' })).statusCode).toBeGreaterThanOrEqual(400);
  });
});
