import { describe, expect, it } from 'vitest';
import { emptyBrief, untold } from '../book';
import { addPart, docOf, newGround, newPicture, removePart, setPart } from '../cover';
import { newCampaign } from '../promo';
import {
  Book,
  addCampaign,
  alongSheet,
  assetsInUse,
  editBook,
  newBook,
  nextCampaignId,
  onCampaign,
  onCover,
  removeCampaign,
} from './index';

const doc = docOf(1600, 2560, [{ ...newGround('#203040'), id: 'ground' }]);
const book: Book = {
  ...newBook('edit-book', 'urn:x:12345', '2026-11-27T10:00:00Z', doc),
  brief: { ...emptyBrief, title: 'T' },
  promos: { first: newCampaign('first', 'First', 'offer') },
};

describe('an edit of a title', () => {
  it('that leaves something which could not be read again is refused, with the place', () => {
    for (const [edit, where] of [
      [(b: Book) => void (b.brief.pageCount = -3), 'brief.pageCount'],
      [(b: Book) => void (b.cover.widthPx = Number.NaN), 'cover.widthPx'],
      [(b: Book) => void (b.promos.first.message.days = -1), 'promos.first.message.days'],
      [(b: Book) => void (b.scene.frame.widthPx = 1e9), 'scene.frame.widthPx'],
      [(b: Book) => void delete (b as Partial<Book>).siblings, 'siblings'],
    ] as const)
      expect(editBook(book, edit)).toEqual({ ok: false, fault: { code: 'edit-wrong', data: { where } } });
  });

  it('that leaves a title as it should be is done, and what it did not touch is the same object', () => {
    const done = editBook(book, (b) => void (b.brief.title = 'Another'));
    expect(done.ok && Book.safeParse(done.value.next).success).toBe(true);
    expect(done.ok && done.value.next.cover).toBe(book.cover);
  });
});

describe('the sketch sheet', () => {
  const id = (c: string): string => c.repeat(16);
  const picture = (c: string) =>
    newPicture({ kind: 'asset', asset: id(c) }, { area: { x: 0, y: 0, width: 1, height: 1 } });
  const after = (from: Book, edit: Parameters<typeof onCover>[0]): Book => {
    const made = editBook(from, alongSheet(onCover(edit)));
    if (!made.ok) throw new Error(made.fault.code);
    return made.value.next;
  };

  it('goes along with the pictures of the front, and keeps what a person put on it', () => {
    const one = after(book, addPart('p', picture('a')));
    expect(one.sheet.pictures).toEqual([id('a')]);
    const own = { ...one, sheet: { ...one.sheet, pictures: [id('z'), id('a')] } };
    const changed = after(own, setPart('p', { source: { kind: 'asset', asset: id('b') } }));
    expect(changed.sheet.pictures).toEqual([id('z'), id('b')]);
    // A picture that leaves the front stays on the sheet, and one that is there is not there twice.
    const gone = after(changed, removePart('p'));
    expect(gone.sheet.pictures).toEqual([id('z'), id('b')]);
    expect(after(gone, addPart('q', picture('z'))).sheet.pictures).toEqual([id('z'), id('b')]);
  });

  it('takes no sixth, and nothing from an edit that is refused', () => {
    const full = { ...book, sheet: { ...book.sheet, pictures: [...'abcde'].map(id) } };
    expect(after(full, addPart('p', picture('f'))).sheet.pictures).toHaveLength(5);
    expect(
      editBook(
        book,
        alongSheet(() => ({ code: 'no', data: {} })),
      ),
    ).toMatchObject({ ok: false });
  });
});

describe('campaigns of a title', () => {
  const done = (from: Book, edit: Parameters<typeof editBook>[1]): Book => {
    const made = editBook(from, edit);
    if (!made.ok) throw new Error(made.fault.code);
    return made.value.next;
  };

  it('come, are copied with all they say, and go', () => {
    const id = nextCampaignId(book);
    const two = done(book, addCampaign('Second', 'event'));
    expect(Object.keys(two.promos)).toEqual(['first', id]);
    const said = done(
      two,
      onCampaign(id, (c) => void (c.message.place = 'A barn')),
    );
    const three = done(said, addCampaign('Third', said.promos[id]));
    expect(three.promos[nextCampaignId(said)]).toMatchObject({
      name: 'Third',
      message: { place: 'A barn', kind: 'event' },
    });
    expect(Object.keys(done(three, removeCampaign(id)).promos)).not.toContain(id);
    expect(editBook(book, removeCampaign('gone'))).toMatchObject({ ok: false, fault: { code: 'campaign-gone' } });
    expect(
      editBook(
        book,
        onCampaign('gone', () => {}),
      ),
    ).toMatchObject({ ok: false, fault: { code: 'campaign-gone' } });
  });

  it('are refused past their number', () => {
    let full = book;
    while (Object.keys(full.promos).length < 40) full = done(full, addCampaign('More', 'offer'));
    expect(editBook(full, addCampaign('One more', 'offer'))).toMatchObject({
      ok: false,
      fault: { code: 'campaigns-full' },
    });
  });

  it('keep the pictures that stand behind them, and those of parts that were added', () => {
    const asset = (id: string) => ({ id, format: 'png' as const, widthPx: 9, heightPx: 9, name: id, rights: untold });
    const shown = done(book, (b) => {
      b.assets = { behind1: asset('behind1'), added99: asset('added99'), unused9: asset('unused9') };
      b.promos.first.style.backing = { kind: 'picture', asset: 'behind1' };
      b.promos.first.made.square = {
        kind: 'ruled',
        words: {},
        changes: { dusk: { book: { kind: 'set', fields: { source: { kind: 'asset', asset: 'added99' } } } } },
      };
    });
    expect(assetsInUse(shown).sort()).toEqual(['added99', 'behind1']);
  });
});
