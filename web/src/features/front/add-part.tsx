import type { Fault } from '@yosomi/core/base';
import { type Brief, type WordField, wordsOf } from '@yosomi/core/book';
import { textOf } from '@yosomi/core/compose';
import {
  type Area,
  type Doc,
  type PartSeed,
  addGroup,
  addPart,
  behindWords,
  newPicture,
  readyArea,
  readyParts,
} from '@yosomi/core/cover';
import { type Asset, type Book, type Mark, alongSheet, takeAsset } from '@yosomi/core/project';
import { SEEN } from '@yosomi/core/recipe';
import { Feather, Image, Images, PenLine, Plus, Signature, Stamp } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { type ReactNode, Suspense, lazy, useContext, useEffect, useMemo, useState } from 'react';
import { sayFault } from '../../messages/say';
import { freshId } from '../../platform/ids';
import { useActions } from '../../state/actions';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { goOnAt } from '../../ui/opener';
import { useOfferPictures } from '../../work/queries';
import { studio } from '../../work/workers';
import { type Offer, type ReadyOffer, markOffer, offersOf, readyOffers, readyWords, symbolOffer } from './add-offers';
import { MarkMaker } from './mark-maker';
import { MarkPicture } from './mark-picture';
import { PartPicture } from './part-row';
import { ShownBook } from './shown-book';
import { SymbolFinder } from './symbol-finder';
import { useHouse } from './use-house';
import { useMarkInput } from './use-mark-input';
import { usePictureInput } from './use-picture-input';
import type { On } from './use-set';

/** Where arrow keys move what was put on. */
const SURFACE = '[data-surface]';

const FrontDesk = lazy(() => import('../desk/title-desk').then((m) => ({ default: m.FrontDesk })));

/**
 * Adds a part and selects it: each is shown as it would look in the cover's own colours. It lands where it lies on no words and
 * no mark. `onDraw` begins a freehand curve where the screen has one.
 */
export function AddPart(props: {
  doc: Doc;
  on: On;
  colour: string;
  /** The cover's own colours. */
  swatches: readonly string[];
  /** Whether what the Brief says belongs here: what of it is not shown is named. */
  front?: boolean;
  onDraw?(): void;
}) {
  const { doc, on, colour, swatches, front = false, onDraw } = props;
  const shown = useContext(ShownBook);
  const stored = useSession((s) => s.book);
  const edit = useSession((s) => s.edit);
  const select = useSession((s) => s.select);
  const selectMany = useSession((s) => s.selectMany);
  const [open, setOpen] = useState(false);
  const [dialog, setDialog] = useState<'symbol' | 'mark' | 'desk' | null>(null);
  const [next, setNext] = useState<typeof dialog>(null);
  const offerAction = useActions((s) => s.offer);
  const withdraw = useActions((s) => s.withdraw);
  useEffect(() => {
    if (!front) return undefined;
    const also = 'photo image library find search background own pictures';
    offerAction('front-desk', [
      { id: 'front-desk', label: 'Picture desk', also, group: 'Front', run: () => setDialog('desk') },
      {
        id: 'front-symbol',
        label: 'Add a symbol',
        also: 'icon drawing',
        group: 'Front',
        run: () => setDialog('symbol'),
      },
      { id: 'front-mark', label: 'Make a mark', also: 'logo initials', group: 'Front', run: () => setDialog('mark') },
    ]);
    return () => withdraw('front-desk');
  }, [front, offerAction, withdraw]);
  const offers = useMemo(() => offersOf(doc, colour), [doc, colour]);
  const ready = useMemo(
    () => (stored ? readyOffers(doc, readyWords(stored), wordsColour(doc) ?? colour) : []),
    [doc, stored, colour],
  );
  const samples = useMemo(
    () => [
      ...[...offers.words.map((one) => withText(one, stored?.brief)), ...offers.shapes, ...offers.overlays].map(
        ({ id, seed }) => ({ id, seeds: [seed] }),
      ),
      ...ready,
    ],
    [offers, ready, stored?.brief],
  );
  const { data: pictures } = useOfferPictures(shown ?? stored, samples, open);
  const add = (
    label: string,
    seed: PartSeed,
    before: (book: Book) => Fault | undefined | void = () => {},
    after: (now: Doc) => string | null = () => null,
  ): void => {
    const id = freshId();
    const done = edit(
      label,
      alongSheet((book) => before(book) ?? on((now) => addPart(id, seed, after(now))(now))(book)),
    );
    if (done) select(id);
  };
  const picture = usePictureInput(({ asset }) =>
    add(
      'Add a picture',
      newPicture(
        { kind: 'asset', asset: asset.id },
        { area: { x: 0.2, y: 0.3, width: 0.6, height: 0.4 }, fit: 'whole' },
      ),
      (book) => {
        takeAsset(book, asset);
      },
      // Words stay in front of it.
      behindWords,
    ),
  );
  /** A picture of the desk fills the cover, behind its words. */
  const addFromDesk = (asset: Asset): void => {
    goOnAt(SURFACE);
    add(
      'Add a picture',
      newPicture({ kind: 'asset', asset: asset.id }),
      (book) => {
        takeAsset(book, asset);
      },
      behindWords,
    );
  };
  const { house, change } = useHouse();
  /** In a place and a colour that suit what is really painted there. */
  const landed = async (seed: PartSeed): Promise<PartSeed> => {
    if (!shown || !('area' in seed) || !('colour' in seed)) return seed;
    const { area, colour } = await studio.landing(shown, seed.area as Area, seed.kind === 'words' ? undefined : SEEN);
    return { ...seed, area, colour };
  };
  const take = ({ step, seed, lands, colour: own = null }: Offer): void =>
    void (lands ? landed(seed) : Promise.resolve(seed))
      .then((part) => add(step, own && 'colour' in part ? { ...part, colour: own } : part))
      .catch(() => sayFault({ code: 'work-failed', data: {} }));
  /** A group in a place that is free and a colour that is seen there, as one step. */
  const takeReady = async ({ kind, label }: ReadyOffer): Promise<void> => {
    if (!stored || !shown) return;
    const filled = kind === 'offer' || kind === 'number';
    const place = await studio.landing(shown, readyArea(kind, doc), filled ? SEEN : undefined);
    const seeds = readyParts(kind, doc, readyWords(stored), place.area, place.colour);
    const ids = seeds.map(freshId);
    if (edit(`Add ${label.toLowerCase()}`, on(addGroup(ids, seeds, freshId(), label)))) selectMany(ids);
  };
  const addMark = (form: Mark['form']): void => take(markOffer(form, doc, colour));
  /** A colour that was chosen stays; else it takes one that is seen where it lands. */
  const addMade = (form: Mark['form'], own: string | null): void => {
    const offer = markOffer(form, doc, own ?? colour);
    take({ ...offer, colour: own });
  };
  const mark = useMarkInput((form, name) => {
    addMark(form);
    change((now) => ({ ...now, marks: [...now.marks, { id: freshId(), name, form }] }));
  });
  const item = (key: string, label: string, picture: ReactNode, onSelect: () => void, lacks: string | null = null) => (
    <DropdownMenu.Item
      key={key}
      disabled={lacks !== null}
      className="flex cursor-pointer items-center gap-2.5 rounded-sm px-2 py-0.5 outline-none data-[disabled]:cursor-default data-[disabled]:text-ink-2 data-[highlighted]:bg-blue-wash"
      onSelect={onSelect}
    >
      {picture}
      <span className="flex flex-col leading-tight">
        {label}
        {lacks && <span className="text-xs">{lacks}</span>}
      </span>
    </DropdownMenu.Item>
  );
  const offered = (some: readonly Offer[]) =>
    some.map((offer) =>
      item(offer.id, offer.label, <PartPicture bitmap={pictures?.get(offer.id) ?? null} />, () => take(offer)),
    );
  return (
    <>
      {picture.input}
      {mark.element}
      {dialog === 'mark' && (
        <MarkMaker
          colour={colour}
          swatches={swatches}
          onUse={(form, own) => {
            goOnAt(SURFACE);
            addMade(form, own);
          }}
          onClose={() => setDialog(null)}
        />
      )}
      {dialog === 'desk' && (
        <Suspense fallback={null}>
          <FrontDesk front={front} onAdd={addFromDesk} onClose={() => setDialog(null)} />
        </Suspense>
      )}
      {dialog === 'symbol' && (
        <SymbolFinder
          onUse={(form, name) => {
            goOnAt(SURFACE);
            take(symbolOffer(form, name, doc, colour));
          }}
          onClose={() => setDialog(null)}
        />
      )}
      <DropdownMenu.Root onOpenChange={setOpen}>
        <DropdownMenu.Trigger className="flex w-full items-center justify-center gap-1.5 rounded-sm border border-edge bg-card px-3 py-1.5 font-semibold hover:border-ink">
          <Plus size={14} /> Add a part
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            side="right"
            sideOffset={20}
            align="end"
            collisionPadding={8}
            // A dialog opens once the menu has given its focus back: it goes there again when that closes.
            onCloseAutoFocus={() => {
              setDialog(next);
              setNext(null);
            }}
            className="z-30 grid max-h-[86vh] w-[min(560px,calc(100vw-24px))] grid-cols-3 overflow-auto rounded-sm border border-edge bg-card p-1 pb-2"
          >
            <DropdownMenu.Group>
              <Head>Words</Head>
              {offered(offers.words)}
              <Head>Ready groups</Head>
              {ready.map((one) =>
                item(
                  one.id,
                  one.label,
                  <PartPicture bitmap={pictures?.get(one.id) ?? null} />,
                  () => void takeReady(one).catch(() => sayFault({ code: 'work-failed', data: {} })),
                  one.lacks,
                ),
              )}
            </DropdownMenu.Group>
            <DropdownMenu.Group>
              <Head>Pictures</Head>
              {item('picture', 'Picture', <Sign icon={<Image size={16} />} />, picture.open)}
              {item('desk', 'Picture desk', <Sign icon={<Images size={16} />} />, () => setNext('desk'))}
              {item('symbol', 'Symbol', <Sign icon={<Feather size={16} />} />, () => setNext('symbol'))}
              {item('mark', 'Mark', <Sign icon={<Stamp size={16} />} />, mark.open)}
              {item('made-mark', 'Mark from a name', <Sign icon={<Signature size={16} />} />, () => setNext('mark'))}
              {house.marks.length > 0 && <Head>Marks of the house</Head>}
              {house.marks.map((one) =>
                item(one.id, one.name, <Sign icon={<MarkPicture form={one.form} className="h-5" />} />, () =>
                  addMark(one.form),
                ),
              )}
              <Head>Overlays</Head>
              {offered(offers.overlays)}
            </DropdownMenu.Group>
            <DropdownMenu.Group>
              <Head>Shapes</Head>
              {offered(offers.shapes)}
              {onDraw && item('draw', 'Drawn curve', <Sign icon={<PenLine size={16} />} />, onDraw)}
            </DropdownMenu.Group>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {front && stored && !doc.finished && (
        <Unshown offers={offers.words} doc={doc} brief={stored.brief} onTake={take} />
      )}
    </>
  );
}

/** Lines that a front has where the Brief says them. */
const ON_FRONTS: readonly WordField[] = ['title', 'subtitle', 'author', 'series', 'strapline'];

/** What the Brief says and the cover does not show, to be added with one press. */
function Unshown(props: { offers: readonly Offer[]; doc: Doc; brief: Brief; onTake(offer: Offer): void }) {
  const { offers, doc, brief, onTake } = props;
  const shown = new Set(
    Object.values(doc.parts).flatMap((p) => (p.kind === 'words' && p.says.kind === 'brief' ? [p.says.field] : [])),
  );
  const lacking = offers.filter(({ seed }) => {
    if (seed.kind !== 'words' || seed.says.kind !== 'brief') return false;
    const { field } = seed.says;
    return ON_FRONTS.includes(field) && !shown.has(field) && wordsOf(brief, field).trim() !== '';
  });
  if (lacking.length === 0) return null;
  return (
    <div className="flex flex-col items-start gap-1 pt-3 text-xs text-ink-2">
      <p>In the Brief, and not on the cover:</p>
      {lacking.map((offer) => (
        <Button key={offer.id} kind="link" onClick={() => onTake(offer)}>
          Add the {offer.label.toLowerCase()}
        </Button>
      ))}
    </div>
  );
}

/** The colour of the title, for what is shown before it is placed. */
const wordsColour = (doc: Doc): string | undefined =>
  Object.values(doc.parts).flatMap((p) => (p.kind === 'words' && p.role === 'title' ? [p.colour] : []))[0];

/** Words of the Brief that are not written yet are shown by what they are called. */
function withText(offer: Offer, brief: Brief | undefined): Offer {
  const { seed } = offer;
  if (!brief || seed.kind !== 'words' || textOf(seed, brief).trim() !== '') return offer;
  return { ...offer, seed: { ...seed, says: { kind: 'own', text: offer.label } } };
}

const Head = ({ children }: { children: ReactNode }) => (
  <DropdownMenu.Label className="px-2 pt-2 pb-1 text-xs font-semibold text-ink-2">{children}</DropdownMenu.Label>
);

/** What has no picture yet: a sign of the same size. */
const Sign = ({ icon }: { icon: ReactNode }) => (
  <span aria-hidden className="flex size-[30px] shrink-0 items-center justify-center rounded-xs bg-line text-ink-2">
    {icon}
  </span>
);
