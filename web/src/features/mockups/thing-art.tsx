import { type Kind, type Thing, type ThingArt, setThing, showsPages } from '@yosomi/core/mockup';
import { type Book, hasPages, isMatte, onScene, withAsset } from '@yosomi/core/project';
import { type Others, pagedOn, titleOn } from '@yosomi/core/recipe';
import { Link } from 'react-router';
import { useBook, useSession } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { Menu, type MenuGroup } from '../../ui/menu';
import { useBookletPage } from '../../work/booklets';
import { useCoverBitmap } from '../../work/queries';
import { usePictureInput } from '../front/use-picture-input';
import { PageField } from './page-field';
import type { SetThing } from './use-scene';

type Named = { readonly id: string; readonly name: string };

/** Art as a choice of a menu. */
const SAME = 'this';
const PAGES = 'page';
const PICTURE = 'picture/';

function choiceOf(art: ThingArt): string {
  switch (art.kind) {
    case 'this':
      return SAME;
    case 'page':
      return PAGES;
    case 'title':
      return art.id;
    case 'picture':
      return `${PICTURE}${art.asset}`;
  }
}

function artOf(choice: string): ThingArt {
  if (choice === SAME) return { kind: 'this' };
  if (choice === PAGES) return { kind: 'page', at: 0 };
  return choice.startsWith(PICTURE)
    ? { kind: 'picture', asset: choice.slice(PICTURE.length) }
    : { kind: 'title', id: choice };
}

function choices(book: Book, art: ThingArt, kind: Kind['kind'], mates: readonly Named[]): MenuGroup[] {
  const pictures = Object.values(book.assets).filter(({ id }) => !isMatte(book, id));
  return [
    {
      title: 'This title',
      options: [
        { value: SAME, label: book.brief.title.trim() || 'This title' },
        ...((hasPages(book) && showsPages(kind)) || art.kind === 'page'
          ? [
              {
                value: PAGES,
                label: kind === 'open-book' ? 'Its booklet, opened where you say' : 'A page of its booklet',
              },
            ]
          : []),
      ],
    },
    ...(mates.length > 0
      ? [{ title: 'Other titles', options: mates.map(({ id, name }) => ({ value: id, label: name })) }]
      : []),
    ...(pictures.length > 0
      ? [
          {
            title: 'Pictures of this title',
            options: pictures.map(({ id, name }) => ({ value: `${PICTURE}${id}`, label: name || 'Picture' })),
          },
        ]
      : []),
  ];
}

/** What is lost of what a thing shows; null where all is there. */
function lostOf({ object, art }: Thing, book: Book, others: Others): string | null {
  if (art.kind === 'title' && !others.has(art.id)) return 'That title is gone from the Shelf; this one stands in.';
  if (art.kind === 'picture' && !book.assets[art.asset]) return 'That picture is gone; this title stands in.';
  if (art.kind === 'page' && !hasPages(book))
    return object.kind === 'open-book'
      ? 'Its booklet has no text any more; lines stand in.'
      : 'Its booklet has no text any more; the cover stands in.';
  return null;
}

/** What is seen on a thing, in a few words. */
function shownNote({ object, art }: Thing, paged: boolean): string {
  if (art.kind === 'picture') return 'a picture, as it is';
  if (object.kind === 'open-book')
    return paged ? 'the pages of the booklet, as they are now' : 'lines in place of a text';
  return art.kind === 'page' ? 'the page, as it is now' : 'the cover, as it is now';
}

/** What is printed on a thing, and the ways to put something else there. */
export function ThingArtFields(props: {
  index: number;
  thing: Thing;
  others: Others;
  mates: readonly Named[];
  set: SetThing;
}) {
  const { index, thing, others, mates, set } = props;
  const book = useBook();
  const edit = useSession((s) => s.edit);
  const { object, art } = thing;
  const previewPx = 60 * Math.min(2, window.devicePixelRatio);
  const { data: front } = useCoverBitmap(titleOn(book, art, others), previewPx);
  const at = art.kind === 'page' && hasPages(book) ? Math.max(0, art.at) : null;
  const { data: page } = useBookletPage(book, at ?? 0, previewPx, at !== null);
  const picture = usePictureInput(
    ({ asset }) =>
      void edit(
        'Picture on it',
        withAsset(asset, onScene(setThing(index, { art: { kind: 'picture', asset: asset.id } }))),
      ),
  );
  const open = object.kind === 'open-book';
  const lost = lostOf(thing, book, others);
  return (
    <>
      <div className="flex items-center gap-3">
        <Bitmap
          bitmap={(at === null ? front : page) ?? null}
          label={at === null ? 'Front' : 'The page on it'}
          className="h-12 w-auto shadow-cover"
        />
        <div className="flex min-w-0 flex-1 flex-col gap-1">
          <Menu
            label="Cover on it"
            value={choiceOf(art)}
            groups={choices(book, art, object.kind, mates)}
            onChange={(choice) => set('Cover on it', { art: artOf(choice) })}
          />
          <span className="text-xs text-ink-2">{lost ?? shownNote(thing, pagedOn(book, thing, others) !== null)}</span>
        </div>
        {art.kind === 'this' && !open && (
          <Link to="../front" className="self-start underline underline-offset-2">
            Edit
          </Link>
        )}
        {(art.kind === 'page' || open) && pagedOn(book, thing, others) === book && (
          <Link to="../booklet" className="self-start underline underline-offset-2">
            Edit
          </Link>
        )}
      </div>
      {art.kind === 'page' && !lost && (
        <PageField
          at={art.at}
          open={open}
          onChange={(now, d) => set('Page', { art: { kind: 'page', at: now } }, d ? 'page' : null)}
        />
      )}
      <Button kind="link" className="self-start" onClick={picture.open}>
        Put a picture on it
      </Button>
      {picture.input}
    </>
  );
}
