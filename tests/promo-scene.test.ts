import { describe, expect, it } from 'vitest';
import { untold } from '@yosomi/core/book';
import { change } from '@yosomi/core/base';
import { defaultScene, plainThing } from '@yosomi/core/mockup';
import type { Raster } from '@yosomi/core/pixels';
import {
  type Book,
  addCampaign,
  assetsInUse,
  editBook,
  packProject,
  removeCampaign,
  showCampaignIn,
  unpackProject,
} from '@yosomi/core/project';
import { addOwnFormat, setStyle } from '@yosomi/core/promo';
import {
  type PromoAt,
  imagesOf,
  noOthers,
  oneThread,
  promoAt,
  promoJob,
  promoKey,
  promoRaster,
  titlesShownBy,
} from '@yosomi/core/recipe';
import { wordsBook } from './fixtures/books';
import { QuickStudio } from './fixtures/quick-studio';

const studio = new QuickStudio(new Map());

const stack = {
  id: 'stack',
  name: 'Two lying',
  scene: {
    ...defaultScene,
    things: [1, 2].map(() => plainThing({ kind: 'hardcover', thicknessMm: null })),
    arrangement: 'stack' as const,
  },
};

const done = (book: Book, ...edits: Parameters<typeof editBook>[1][]): Book =>
  edits.reduce((now, edit) => {
    const made = editBook(now, edit);
    if (!made.ok) throw new Error(made.fault.code);
    return made.value.next;
  }, book);

/** A small size: what is traced for it is soon there. */
const FORMAT = 'own-360x360';
const arranged = (book: Book): Book =>
  done(
    book,
    (b) => setStyle({ look: 'own' })(b.promos['campaign-1']),
    (b) => addOwnFormat(360, 360)(b.promos['campaign-1']),
  );

const base = arranged(done(wordsBook(), (b) => void (b.promos = {}), addCampaign('One', 'announcement')));
const shown = done(base, showCampaignIn('campaign-1', stack));

async function painted(book: Book): Promise<Raster> {
  const at: PromoAt = promoAt(book, 'campaign-1', FORMAT)!;
  const job = await promoJob(oneThread(studio), book, at, noOthers);
  if (!job.ok) throw new Error(job.fault.code);
  return promoRaster(book, at, imagesOf(job.value.pictures, studio), 360, noOthers, studio);
}

const differing = (a: Raster, b: Raster): number => {
  let n = 0;
  for (let i = 0; i < a.data.length; i += 4)
    if (Math.max(...[0, 1, 2].map((c) => Math.abs(a.data[i + c] - b.data[i + c]))) > 14) n++;
  return n / (a.width * a.height);
};

const key = (book: Book): string => promoKey(book, promoAt(book, 'campaign-1', FORMAT)!, noOthers);

describe('a campaign that shows its books in a kept scene', () => {
  it('is painted with that scene, not with the one of Mockups, which stays as it is', async () => {
    expect(shown.scene).toEqual(base.scene);
    expect(differing(await painted(base), await painted(shown))).toBeGreaterThan(0.05);
    const moved = done(shown, (b) => void (b.scene.pose.turnRad = -0.8));
    expect(key(moved)).toBe(key(shown));
    expect(differing(await painted(moved), await painted(shown))).toBe(0);
    const before = done(base, (b) => void (b.scene.pose.turnRad = -0.8));
    expect(key(before)).not.toBe(key(base));
  });

  it('goes on following the cover', async () => {
    const other = done(shown, (b) => {
      const ground = Object.values(b.cover.parts).find((part) => part.kind === 'ground')!;
      if (ground.kind === 'ground') ground.paint = { kind: 'flat', colour: '#d03010' };
    });
    expect(key(other)).not.toBe(key(shown));
    expect(differing(await painted(other), await painted(shown))).toBeGreaterThan(0.05);
  });

  it('comes with the title in its file', () => {
    const again = unpackProject(packProject({ book: shown, files: new Map() }));
    expect(again.ok && again.value.book.scenes).toEqual({ stack: { name: 'Two lying', scene: stack.scene } });
  });

  it('lets go of a scene that no campaign shows any more', () => {
    expect(done(shown, showCampaignIn('campaign-1', null)).scenes).toEqual({});
    expect(done(shown, removeCampaign('campaign-1')).scenes).toEqual({});
    const two = done(shown, addCampaign('Two', shown.promos['campaign-1']));
    expect(Object.keys(done(two, showCampaignIn('campaign-1', null)).scenes)).toEqual(['stack']);
    expect(editBook(base, showCampaignIn('gone', stack))).toMatchObject({ fault: { code: 'campaign-gone' } });
  });

  it('shows no picture of another title, and names those that it needs', () => {
    const pictured = structuredClone(stack);
    const [thing] = pictured.scene.things;
    Object.assign(thing, { art: { kind: 'picture', asset: 'abcdef1' } });
    expect(done(base, showCampaignIn('campaign-1', pictured)).scenes.stack.scene.things[0].art).toEqual({
      kind: 'this',
    });
    const asset = { id: 'abcdef1', format: 'png' as const, widthPx: 9, heightPx: 9, name: 'x', rights: untold };
    const owner = done(base, (b) => void (b.assets[asset.id] = asset), showCampaignIn('campaign-1', pictured));
    expect(assetsInUse(owner)).toContain('abcdef1');
  });

  it('names the titles that it shows, so that they are there when it is painted', async () => {
    const mixed = structuredClone(stack);
    Object.assign(mixed.scene.things[1], { art: { kind: 'title', id: 'another-title' } });
    const book = done(base, showCampaignIn('campaign-1', mixed));
    expect([titlesShownBy(base), titlesShownBy(book)]).toEqual([[], ['another-title']]);
    const job = await promoJob(oneThread(studio), book, promoAt(book, 'campaign-1', FORMAT)!, noOthers);
    expect(job).toMatchObject({ ok: false, fault: { code: 'volume-gone' } });
  });

  it('falls back to Mockups where its scene is not there', () => {
    const lost = change(shown, (b) => void (b.scenes = {}));
    expect(lost.ok && key(lost.value.next)).not.toBe(key(shown));
  });
});
