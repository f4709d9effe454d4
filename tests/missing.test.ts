import { untold } from '@yosomi/core/book';
import { newFace, newPinScene } from '@yosomi/core/pin';
import { type Book, type Project, missingFiles, packProject, unpackProject } from '@yosomi/core/project';
import { deliverables, gather, makeDeliverable, missingFile, settledCover, verdictOf } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { describe, expect, it } from 'vitest';
import { finishedProject, pictureProject } from './fixtures/books';
import { QuickStudio } from './fixtures/quick-studio';

const at = '2026-11-27T10:00:00Z';
const stores = ['longreach', 'pommel'];
const without = (project: Project): Project => ({ ...project, files: new Map() });

const filled = (project: Project): Project => {
  const asset = Object.keys(project.book.assets)[0];
  const { cover } = project.book;
  const parts: Record<string, unknown> = {
    ...cover.parts,
    ground: { ...cover.parts.ground, paint: { kind: 'picture', asset, focus: { x: 0.5, y: 0.5 }, zoom: 1 } },
  };
  for (const [id, part] of Object.entries(parts)) if ((part as { kind: string }).kind === 'picture') delete parts[id];
  return { ...project, book: { ...project.book, cover: { ...cover, parts } as Book['cover'] } };
};

describe('a cover whose picture is not there', () => {
  it.each([
    ['a picture under words', () => pictureProject({ stores })],
    ['a finished cover', () => finishedProject(800, 1280, { stores })],
    ['a picture as the ground', async () => filled(await pictureProject({ stores }))],
  ] as const)('%s: every file is refused by the name of the picture, and made when it is there', async (_, make) => {
    const project = await make();
    const broken = new NodeStudio(new Map());
    const whole = new QuickStudio(project.files);
    for (const wanted of deliverables(project.book)) {
      const made = await makeDeliverable(project.book, wanted, at, broken);
      expect(made, wanted.id).toMatchObject({
        ok: false,
        fault: { code: 'picture-missing', data: { name: 'Test picture', count: 1 } },
      });
      if (wanted.kind !== 'store-image') continue;
      expect((await makeDeliverable(project.book, wanted, at, whole)).ok, wanted.id).toBe(true);
    }
  });

  it('is a grave finding at its part, and none once the picture is there or hidden', async () => {
    const { book, files } = await pictureProject();
    const lost = async (b: Book, studio: NodeStudio) =>
      (await settledCover(b, studio, 400)).settled.findings.filter((f) => f.code === 'picture-lost');
    const found = await lost(book, new NodeStudio(new Map()));
    expect(found).toMatchObject([{ severity: 'must', part: 'picture' }]);
    expect(verdictOf(found)).toBe('fails');
    expect(await lost(book, new NodeStudio(files))).toEqual([]);
    const hidden = structuredClone(book);
    hidden.cover.parts.picture.hidden = true;
    expect(await lost(hidden, new NodeStudio(new Map()))).toEqual([]);
    expect(await missingFile(hidden, 'cover', new NodeStudio(new Map()))).toBeNull();
  });

  it('holds for a picture that is there and cannot be opened', async () => {
    const { book, files } = await pictureProject();
    const cut = new Map([...files].map(([id, bytes]) => [id, bytes.slice(0, 200)]));
    expect(await missingFile(book, 'cover', new NodeStudio(cut))).toMatchObject({ code: 'picture-missing' });
  });

  it('is found in a scene, in another title of the scene, on a promo and on a photograph', async () => {
    const { book, files } = await pictureProject();
    const studio = new NodeStudio(files);
    const lost = { id: 'lost000000', format: 'png' as const, widthPx: 9, heightPx: 9, name: 'Gone', rights: untold };
    const scene = { ...book.scene, ground: { kind: 'picture' as const, asset: lost.id } };
    const withLost = { ...book, assets: { ...book.assets, [lost.id]: lost } };
    expect(await missingFile(withLost, 'scene', studio)).toBeNull();
    expect(await missingFile({ ...withLost, scene } as Book, 'scene', studio)).toMatchObject({
      data: { name: 'Gone' },
    });
    const other = structuredClone({ ...withLost, id: 'other-title' });
    Object.assign(other.cover.parts.picture, { source: { kind: 'asset', asset: lost.id } });
    const row = structuredClone(book.scene);
    row.things.push({ ...row.things[0], art: { kind: 'title', id: other.id } });
    expect(await missingFile(book, 'scene', studio, new Map([[other.id, other]]), row)).toMatchObject({
      data: { name: 'Gone' },
    });
    const pin = { ...newPinScene({ asset: lost.id, widthPx: 9, heightPx: 9 }) };
    pin.faces.push(
      newFace(
        'f',
        'Front',
        [
          [0, 0],
          [9, 0],
          [9, 9],
          [0, 9],
        ],
        { kind: 'side', side: 'front' },
      ),
    );
    expect(await missingFile({ ...withLost, pin }, 'pin', studio)).toMatchObject({ data: { name: 'Gone' } });
  });

  it('refuses a font of one’s own that is not there', async () => {
    const { book, files } = await pictureProject();
    const own = structuredClone(book);
    Object.assign(own.cover.parts.title, { cut: 'own/abcdef123456' });
    expect(await missingFile(own, 'cover', new NodeStudio(files))).toMatchObject({ code: 'face-missing' });
  });

  it('never counts as measured', async () => {
    const { book } = await pictureProject();
    expect((await gather(book.cover, book.brief, new NodeStudio(new Map()), 400)).whole).toBe(false);
  });
});

describe('a title file', () => {
  it('whose picture was missing says so and opens without it', async () => {
    const project = await pictureProject();
    const broken = without(project);
    expect(missingFiles(broken)).toMatchObject([{ name: 'Test picture' }]);
    const opened = unpackProject(packProject(broken));
    if (!opened.ok) throw new Error(opened.fault.code);
    expect(opened.value.files.size).toBe(0);
    expect(opened.value.book.cover).toEqual(project.book.cover);
    expect(missingFiles(project)).toEqual([]);
    expect(unpackProject(packProject(project))).toMatchObject({ ok: true });
  });

  it('from which a picture was taken away is refused as before', async () => {
    const project = await pictureProject();
    const { unzipSync, zipSync } = await import('fflate');
    const entries = unzipSync(packProject(project));
    for (const name of Object.keys(entries)) if (name.startsWith('assets/')) delete entries[name];
    expect(unpackProject(zipSync(entries))).toMatchObject({ ok: false, fault: { code: 'project-picture' } });
  });
});
