import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { connect } from 'node:net';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp, { type Sharp } from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { MOST_UPLOAD } from '../server/src/intake';
import { makeServer } from '@yosomi/server';
import { bookFile, plainPlan } from './fixtures/epubs';
import { fileOf, hugePng, picturePixels, scenePixels } from './fixtures/pictures';

let app: Awaited<ReturnType<typeof makeServer>>;
let web: string;
let port: number;
let good: Uint8Array<ArrayBuffer>;
beforeAll(async () => {
  web = mkdtempSync(join(tmpdir(), 'web-'));
  writeFileSync(join(web, 'index.html'), '<!doctype html>');
  app = await makeServer({ web, demo: null });
  await app.listen({ host: '127.0.0.1', port: 0 });
  port = (app.server.address() as AddressInfo).port;
  const picture = scenePixels(400, 600);
  good = new Uint8Array(
    await sharp(Buffer.from(picture.data), { raw: { width: 400, height: 600, channels: 4 } })
      .removeAlpha()
      .jpeg({ quality: 80 })
      .withIccProfile('srgb')
      .toBuffer(),
  );
});
afterAll(async () => {
  await app.close();
  rmSync(web, { recursive: true });
});

const address = (store: string): string => `http://127.0.0.1:${port}/api/stores/${store}/intake`;

/** Sends a file as a browser does. */
async function send(store: string, bytes: Uint8Array<ArrayBuffer>, name = 'cover.jpg') {
  const form = new FormData();
  form.append('cover', new Blob([bytes]), name);
  const answer = await fetch(address(store), { method: 'POST', body: form });
  return {
    status: answer.status,
    body: (await answer.json()) as { accepted?: boolean; findings?: { code: string }[]; error?: string },
  };
}

describe('a stand-in store', () => {
  it('accepts a cover that is right, and says so', async () => {
    const { status, body } = await send('pocketreel', good);
    expect(body).toMatchObject({ store: 'pocketreel', accepted: true });
    expect(body.findings!.filter((f) => f.code.startsWith('store-exact'))).toEqual([]);
    expect(status).toBe(200);
  });

  it('refuses one that is wrong, with every reason', async () => {
    const source = await fileOf(picturePixels(401, 600), 'png');
    const { status, body } = await send('pocketreel', source);
    expect(status).toBe(422);
    expect(body.findings!.map((f) => f.code)).toEqual(
      expect.arrayContaining(['store-format', 'store-exact-size', 'store-ratio', 'store-bytes']),
    );
  });

  it.each([
    ['store-colour', (i: Sharp) => i.toColourspace('cmyk').jpeg()],
    ['store-colour', (i: Sharp) => i.toColourspace('b-w').jpeg()],
    ['store-orientation', (i: Sharp) => i.jpeg().withMetadata({ orientation: 6 })],
    ['store-metadata', (i: Sharp) => i.jpeg().withExif({ IFD0: { Artist: 'A' } })],
    ['store-profile', (i: Sharp) => i.jpeg().withIccProfile('p3')],
  ] as const)('sees %s by a decoder of its own', async (code, change) => {
    const image = sharp(Buffer.from(scenePixels(400, 600).data), {
      raw: { width: 400, height: 600, channels: 4 },
    }).removeAlpha();
    const { body } = await send('pocketreel', new Uint8Array(await change(image).toBuffer()));
    expect(body.findings!.map((f) => f.code)).toContain(code);
  });

  it('reads an ebook for its cover', async () => {
    const jpeg = await fileOf(picturePixels(160, 256), 'jpeg');
    expect((await send('pommel', bookFile(plainPlan(jpeg)))).body).toMatchObject({ accepted: true });
    const bare = bookFile({ ...plainPlan(jpeg), image: null, page: null, property: false, meta: null });
    expect((await send('pommel', bare)).body).toMatchObject({
      accepted: false,
      findings: [{ code: 'epub-cover-image' }],
    });
  });

  it.each([
    ['words', async () => new TextEncoder().encode('no picture')],
    ['a web page', async () => new TextEncoder().encode('<!doctype html><script>1</script>')],
    ['a picture that is cut off', async () => good.slice(0, 3000)],
    ['20,000 x 20,000 px in little', async () => hugePng()],
    ['an SVG', async () => new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg"/>')],
    ['nothing', async () => new Uint8Array()],
  ])('does not take %s', async (_, bytes) => {
    const { status, body } = await send('longreach', new Uint8Array(await bytes()));
    expect(status).toBe(422);
    expect(body.error).toMatch(/cannot be read/);
  });

  it('uses no name that is sent along', async () => {
    for (const name of ['../../../etc/passwd', '..\\..\\boot.ini', 'a'.repeat(4000), 'x\u0000.jpg']) {
      expect((await send('pocketreel', good, name)).status).toBe(200);
    }
    for (const id of ['..%2f..%2fetc', 'nowhere', '%2e%2e', 'POCKETREEL', '__proto__']) {
      expect((await fetch(address(id), { method: 'POST', body: '' })).status).toBe(404);
    }
  });

  it('wants multipart with one file', async () => {
    expect((await fetch(address('pommel'), { method: 'POST', body: 'x' })).status).toBe(415);
    expect(
      (await fetch(address('pommel'), { method: 'POST', headers: { 'content-type': 'image/jpeg' }, body: good }))
        .status,
    ).toBe(415);
    expect((await fetch(address('pommel'), { method: 'POST', body: new FormData() })).status).toBe(400);
    const broken = { 'content-type': 'multipart/form-data; boundary=x' };
    expect((await fetch(address('pommel'), { method: 'POST', headers: broken, body: '--x\r\nnonsense' })).status).toBe(
      400,
    );
  });

  it('stops at its limit, whether the length was told or not', async () => {
    const told = await fetch(address('pommel'), {
      method: 'POST',
      headers: { 'content-type': 'multipart/form-data; boundary=x' },
      body: new Uint8Array(MOST_UPLOAD + 100_000),
    }).then(
      (r) => r.status,
      () => 'cut off',
    );
    expect([413, 'cut off']).toContain(told);
    // A body in chunks that never ends does not fill the memory.
    const before = process.memoryUsage().rss;
    const untold = await new Promise<number | string>((resolve) => {
      const sent = request(
        address('pommel'),
        { method: 'POST', headers: { 'content-type': 'multipart/form-data; boundary=x' } },
        (answer) => resolve(answer.statusCode ?? 0),
      );
      sent.on('error', () => resolve('cut off'));
      sent.write('--x\r\nContent-Disposition: form-data; name="cover"; filename="a.jpg"\r\n\r\n');
      const chunk = Buffer.alloc(1024 * 1024);
      let count = 0;
      const more = (): void => {
        while (count++ < 120) if (!sent.write(chunk)) return void sent.once('drain', more);
        sent.end();
      };
      more();
    });
    expect([413, 'cut off']).toContain(untold);
    expect(process.memoryUsage().rss - before).toBeLessThan(400 * 1024 * 1024);
    expect((await send('pocketreel', good)).status).toBe(200);
  });

  it('forgets uploads that break off', async () => {
    await Promise.all(
      Array.from(
        { length: 12 },
        () =>
          new Promise<void>((resolve) => {
            const socket = connect(port, '127.0.0.1', () => {
              socket.write(
                `POST /api/stores/pommel/intake HTTP/1.1\r\nHost: x\r\nContent-Type: multipart/form-data; boundary=x\r\nContent-Length: 100000\r\n\r\n--x\r\nContent-Disposition: form-data; name="cover"; filename="a"\r\n\r\nhalf`,
              );
              setTimeout(() => (socket.destroy(), resolve()), 60);
            });
          }),
      ),
    );
    // Every place is free again: more than were broken off get through.
    for (let i = 0; i < 4; i++) expect((await send('pocketreel', good)).status).toBe(200);
  });

  it('answers two hundred at once, lets some wait, turns the rest away, and stays up', async () => {
    const before = process.memoryUsage().rss;
    const answers = await Promise.all(
      Array.from({ length: 200 }, () =>
        send('pocketreel', good).then(
          (a) => a.status,
          () => 0,
        ),
      ),
    );
    const count = (status: number): number => answers.filter((s) => s === status).length;
    expect(count(200)).toBeGreaterThanOrEqual(2);
    expect(count(200) + count(503) + count(0)).toBe(200);
    expect(process.memoryUsage().rss - before).toBeLessThan(500 * 1024 * 1024);
    expect((await send('pocketreel', good)).status).toBe(200);
  }, 60_000);
});
