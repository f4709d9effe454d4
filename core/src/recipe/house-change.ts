import { type Change, type Result, fail, ok } from '../base';
import type { Hex } from '../colour';
import type { Doc, DrawnForm, Part } from '../cover';
import { type Book, type House, editBook } from '../project';
import { FIELDS } from '../promo';
import { type NameChange, nameChanges, nameFinder } from '../renaming';
import { FAMILIES, OWN_FACE, cutLike, familyOf, isOwnCut } from '../text';
import { coverKey } from './cover';
import { exchangeMark, markPlace, sameDrawing } from './exchange-mark';
import { Retold, type TouchPlace, type Touches } from './retold';

/** A face: a family that ships, by its id, or a font of a person's own as "own/<id>". */
export type FaceId = string;

/** The face that a cut is of. */
export const faceOf = (cut: string): FaceId => (isOwnCut(cut) ? cut : (familyOf(cut)?.id ?? cut));

/** One thing that the titles of a house share, and what takes its place. An empty `from` stands for titles that have none yet. */
export type HouseChange =
  | { readonly kind: 'site' | 'imprint'; readonly from: string; readonly to: string }
  | { readonly kind: 'colour'; readonly from: Hex; readonly to: Hex }
  | { readonly kind: 'face'; readonly from: FaceId; readonly to: FaceId }
  | { readonly kind: 'mark'; readonly from: DrawnForm; readonly to: DrawnForm };

/** Changes of a house that can be made in any of its titles; all are made at once, so that two things can change places. */
export type HousePlan = {
  readonly changes: readonly HouseChange[];
  readonly find: ReturnType<typeof nameFinder>;
  /** What a Brief comes to say that says exactly this; what is nothing but empty is `''`. */
  readonly said: readonly { readonly field: 'website' | 'publisher'; readonly from: string; readonly to: string }[];
  readonly colours: ReadonlyMap<Hex, Hex>;
  readonly faces: ReadonlyMap<FaceId, FaceId>;
  readonly marks: readonly { readonly from: DrawnForm; readonly to: DrawnForm }[];
};

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** The site of nobody: what a first one is looked at beside. */
const NOBODY = 'nobody.invalid';

/**
 * What is to be changed, ready to be made. What changes nothing falls out. Faults: `name-site` (`found`), `names-twice` (`name`), `names-none`
 * where nothing is left.
 */
export function housePlan(changes: readonly HouseChange[]): Result<HousePlan> {
  const wished: NameChange[] = [];
  const said: HousePlan['said'][number][] = [];
  for (const one of changes) {
    if (one.kind !== 'site' && one.kind !== 'imprint') continue;
    const [from, to] = [one.from.trim(), one.to.trim()];
    if (to === '' || from === to) continue;
    const kind = one.kind === 'site' ? 'site' : 'publisher';
    const can = nameChanges([{ kind, from: NOBODY, to }]);
    if (!can.ok) return can;
    said.push({ field: kind === 'site' ? 'website' : 'publisher', from, to });
    // What is no site is looked for in no text: it is what some Briefs say, and nothing more.
    if (from !== '' && nameChanges([{ kind, from, to }]).ok) wished.push({ kind, from, to });
  }
  const names = nameChanges(wished);
  if (!names.ok && names.fault.code !== 'names-none') return names;
  const of = <K extends HouseChange['kind']>(kind: K): Extract<HouseChange, { kind: K }>[] =>
    changes.filter((one): one is Extract<HouseChange, { kind: K }> => one.kind === kind);
  const plan: HousePlan = {
    changes,
    find: nameFinder(names.ok ? names.value : []),
    said,
    colours: new Map(of('colour').flatMap(({ from, to }) => (from === to ? [] : [[from, to] as const]))),
    faces: new Map(of('face').flatMap(({ from, to }) => (from === to ? [] : [[from, to] as const]))),
    marks: of('mark').filter(({ from, to }) => !sameDrawing(from, to)),
  };
  const some = said.length > 0 || plan.colours.size > 0 || plan.faces.size > 0 || plan.marks.length > 0;
  return some ? ok(plan) : fail('names-none');
}

/** Where the cut of a face leads: to one of the family that takes its place, as heavy and as slanted; the same where none does. */
function cutOf(plan: HousePlan, cut: string): string {
  const to = plan.faces.get(faceOf(cut));
  if (to === undefined || isOwnCut(to)) return to ?? cut;
  const family = FAMILIES.find(({ id }) => id === to);
  return family ? cutLike(cut, family) : cut;
}

/** What a change does to a title. `change` is null where it is named, but nothing of it may be changed. */
export type HouseTouched = {
  readonly change: Change<Book> | null;
  readonly touches: Touches;
  /** True where the front looks otherwise after it. */
  readonly front: boolean;
};

/** What of a person's fonts the house has, for titles that come to set them. */
type Fonts = Pick<House, 'faces'>;

/** Makes the changes in a title, and says where. */
function make(book: Book, plan: HousePlan, { faces }: Fonts): Touches {
  const told = new Retold(plan.find, plan.colours, (cut) => cutOf(plan, cut));
  const before = { website: book.brief.website, publisher: book.brief.publisher };
  for (const field of ['website', 'publisher'] as const) {
    const exact = plan.said.find((one) => one.field === field && same(one.from, book.brief[field]));
    if (exact) told.say(book.brief, field, exact.to, 'brief');
    else told.texts(book.brief, [field], 'brief', 'label');
  }
  told.texts(book.brief, ['subtitle', 'strapline', 'blurb'], 'brief');
  const follows = (['website', 'publisher'] as const).filter((field) => book.brief[field] !== before[field]);
  const marks = (doc: Doc, place: TouchPlace): void => {
    for (const part of Object.values(doc.parts)) {
      for (const { from, to } of plan.marks) {
        if (part.kind !== 'shape' || part.form.kind !== 'drawn' || !sameDrawing(part.form, from)) continue;
        exchangeMark(part, to, doc);
        told.count(place);
        if (place === 'front') for (const other of Object.values(book.siblings)) inSibling(other, part.id, to);
        break;
      }
    }
  };
  const inSibling = ({ places, ...size }: Book['siblings'][string], id: string, to: DrawnForm): void => {
    const own = places[id];
    if (own?.area) own.area = markPlace(own.area, to.ratio, size);
  };
  const inDoc = (doc: Doc, place: TouchPlace): void => {
    marks(doc, place);
    for (const part of Object.values(doc.parts)) {
      told.part(part, place);
      if (part.kind === 'words' && part.says.kind === 'brief' && follows.some((field) => field === saysField(part)))
        told.count(place);
    }
    for (const style of Object.values(doc.styles)) told.part(style, place);
  };
  inDoc(book.cover, 'front');
  if (book.sides.spine) inDoc(book.sides.spine.doc, 'spine');
  if (book.sides.back) inDoc(book.sides.back.doc, 'back');
  for (const scene of [book.scene, ...Object.values(book.scenes).map((one) => one.scene)])
    told.colours(scene, 'mockups');
  for (const campaign of Object.values(book.promos)) {
    const { message, style } = campaign;
    told.texts(message, ['quotation', 'name', 'where', 'call', 'link', 'badge', 'place'], 'promos');
    for (const wording of message.wordings) told.texts(wording, ['headline', 'line'], 'promos');
    told.texts(campaign.alt, Object.keys(campaign.alt), 'promos');
    told.colours(style, 'promos');
    if (style.faces) told.cuts(style.faces, ['head', 'text'], 'promos');
    // A link that nobody typed is that of the Brief.
    if (message.link === null && follows.includes('website') && FIELDS[message.kind].includes('link'))
      told.count('promos');
    for (const made of Object.values(campaign.made)) {
      if (made.kind === 'drawn') inDoc(made.doc, 'promos');
      else {
        told.texts(made.words, Object.keys(made.words) as (keyof typeof made.words)[], 'promos');
        for (const changes of Object.values(made.changes))
          for (const one of Object.values(changes)) {
            if (one.kind === 'new') told.part(one.part, 'promos');
            if (one.kind === 'set') told.part(one.fields, 'promos');
          }
      }
    }
  }
  if (book.booklet) told.blocks(book.booklet.manuscript.blocks, 'booklet');
  for (const to of plan.faces.values()) {
    const face = isOwnCut(to) ? faces.find(({ id }) => `${OWN_FACE}${id}` === to) : undefined;
    if (face && told.sets(to)) book.faces[face.id] = face;
  }
  return told.touches();
}

const saysField = (part: Extract<Part, { kind: 'words' }>): string =>
  part.says.kind === 'brief' ? part.says.field : '';

/** What changes of a house come to in a title; null where it has nothing to do with them. Faults: those of `editBook`. */
export function touchedBy(book: Book, plan: HousePlan, fonts: Fonts): Result<HouseTouched | null> {
  let touches: Touches = { places: {}, texts: [], left: [] };
  const done = editBook(book, (draft) => void (touches = make(draft, plan, fonts)));
  if (!done.ok) return done;
  const change = done.value.forward.length > 0 ? done.value : null;
  if (!change && touches.left.length === 0) return ok(null);
  return ok({ change, touches, front: change !== null && coverKey(book) !== coverKey(change.next) });
}

/** Makes changes of a house in a title, as one edit of it. */
export const houseEdit =
  (plan: HousePlan, fonts: Fonts) =>
  (book: Book): void =>
    void make(book, plan, fonts);

/** The house style with the same changes made in it. */
export function houseAfter(house: House, plan: HousePlan): House {
  const renamed = (kind: 'site' | 'imprint', now: string): string => {
    const named = plan.changes.filter(
      (one): one is Extract<HouseChange, { kind: 'site' | 'imprint' }> => one.kind === kind && one.to.trim() !== '',
    );
    // A house that says nothing yet takes what its titles come to say.
    const next = named.find(({ from }) => same(from, now)) ?? (now.trim() === '' ? named[0] : undefined);
    return next ? next.to.trim() : now;
  };
  const told = new Retold(plan.find, plan.colours, (cut) => cutOf(plan, cut));
  const styles = structuredClone(house.styles);
  for (const style of styles) told.part(style, 'brief');
  const marks = structuredClone(house.marks).map((mark) => {
    const next = plan.marks.find(({ from }) => sameDrawing(from, mark.form));
    if (next) return { ...mark, form: next.to };
    told.colours(mark.form, 'brief');
    return mark;
  });
  return {
    ...house,
    name: renamed('imprint', house.name),
    website: renamed('site', house.website),
    colours: [...new Set(house.colours.map((hex) => plan.colours.get(hex) ?? hex))],
    // A mark that takes the place of another is there once.
    marks: marks.filter((mark, i) => marks.findIndex((one) => sameDrawing(one.form, mark.form)) === i),
    styles,
  };
}
