import type { WordField } from '@yosomi/core/book';
import type { Fault } from '@yosomi/core/base';
import {
  type Doc,
  type Form,
  type PartSeed,
  type WordRole,
  TEXTURES,
  addPart,
  behindWords,
  newOverlay,
  newPicture,
  newScrim,
  newShape,
  newWords,
} from '@yosomi/core/cover';
import type { Book, Mark } from '@yosomi/core/project';
import { Plus } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useContext } from 'react';
import { sayFault } from '../../messages/say';
import { freshId } from '../../platform/ids';
import { useSession } from '../../state/session';
import { studio } from '../../work/workers';
import { MarkPicture } from './mark-picture';
import { OVERLAYS, ROLES } from './part-names';
import { ShownBook } from './shown-book';
import { useHouse } from './use-house';
import { useMarkInput } from './use-mark-input';
import { usePictureInput } from './use-picture-input';
import type { On } from './use-set';

type Area = { x: number; y: number; width: number; height: number };

/** Shapes with the place they first take; round ones are round on any cover. */
const SHAPES: readonly { label: string; form: Form; area: Area; role?: 'band' | 'rule' }[] = [
  {
    label: 'Band',
    form: { kind: 'rectangle', radius: 0 },
    area: { x: 0, y: 0.62, width: 1, height: 0.08 },
    role: 'band',
  },
  {
    label: 'Rule',
    form: { kind: 'rectangle', radius: 0 },
    area: { x: 0.4, y: 0.5, width: 0.2, height: 0.003 },
    role: 'rule',
  },
  { label: 'Rectangle', form: { kind: 'rectangle', radius: 0 }, area: { x: 0.25, y: 0.4, width: 0.5, height: 0.2 } },
  { label: 'Ellipse', form: { kind: 'ellipse' }, area: { x: 0.3, y: 0.35, width: 0.4, height: 0.25 } },
  { label: 'Polygon', form: { kind: 'polygon', sides: 6 }, area: { x: 0.3, y: 0.35, width: 0.4, height: 0.25 } },
  { label: 'Line', form: { kind: 'line', dash: 0, round: true }, area: { x: 0.2, y: 0.5, width: 0.6, height: 0.005 } },
  {
    label: 'Ribbon',
    form: { kind: 'ribbon', fold: 0.3, notch: 0.5 },
    area: { x: 0.08, y: 0.6, width: 0.84, height: 0.08 },
  },
  {
    label: 'Burst',
    form: { kind: 'burst', points: 20, depth: 0.16 },
    area: { x: 0.62, y: 0.62, width: 0.3, height: 0.1875 },
  },
  {
    label: 'Badge',
    form: { kind: 'badge', scallops: 24, ring: true },
    area: { x: 0.62, y: 0.62, width: 0.3, height: 0.1875 },
  },
  {
    label: 'Frame',
    form: { kind: 'frame', thick: 0.008, corner: 'scooped', size: 0.08, double: true },
    area: { x: 0.05, y: 0.03125, width: 0.9, height: 0.9375 },
  },
  {
    label: 'Divider',
    form: { kind: 'divider', ornament: 'diamond' },
    area: { x: 0.3, y: 0.5, width: 0.4, height: 0.02 },
  },
];

/** Words with the field of the Brief they show; null where they are written here. */
const WORDS: readonly { role: WordRole; field: WordField | null; y: number }[] = [
  { role: 'title', field: 'title', y: 0.12 },
  { role: 'subtitle', field: 'subtitle', y: 0.4 },
  { role: 'byline', field: 'author', y: 0.9 },
  { role: 'series', field: 'series', y: 0.05 },
  { role: 'strapline', field: 'strapline', y: 0.84 },
  { role: 'website', field: 'website', y: 0.95 },
  { role: 'blurb', field: 'blurb', y: 0.5 },
  { role: 'publisher', field: 'publisher', y: 0.92 },
];

/** The blend an overlay mixes best with. */
const MIX = {
  grain: 'normal',
  worn: 'normal',
  paper: 'multiply',
  rays: 'screen',
  vignette: 'multiply',
  halftone: 'multiply',
  fog: 'screen',
  wash: 'multiply',
  strokes: 'multiply',
} as const;

/** Adds a part and selects it. `onDraw` begins a freehand curve where the screen has one. */
export function AddPart({ doc, on, colour, onDraw }: { doc: Doc; on: On; colour: string; onDraw?(): void }) {
  const shown = useContext(ShownBook);
  const edit = useSession((s) => s.edit);
  const select = useSession((s) => s.select);
  const add = (
    label: string,
    seed: PartSeed,
    before: (book: Book) => Fault | undefined | void = () => {},
    after: (now: Doc) => string | null = () => null,
  ): void => {
    const id = freshId();
    const done = edit(label, (book) => before(book) ?? on((now) => addPart(id, seed, after(now))(now))(book));
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
        book.assets[asset.id] = asset;
      },
      // Words stay in front of it.
      behindWords,
    ),
  );
  const { house, change } = useHouse();
  const addMark = (form: Mark['form']): void =>
    add('Add a mark', newShape(form, { role: 'mark', area: { x: 0.42, y: 0.93, width: 0.16, height: 0.04 }, colour }));
  const mark = useMarkInput((form, name) => {
    addMark(form);
    change((now) => ({ ...now, marks: [...now.marks, { id: freshId(), name, form }] }));
  });
  const title = Object.values(doc.parts).find((p) => p.kind === 'words' && p.role === 'title');
  const cut = title?.kind === 'words' ? title.cut : 'jost/600';
  const there = new Set(Object.values(doc.parts).flatMap((p) => (p.kind === 'words' ? [p.role] : [])));
  const put = async (role: WordRole, says: Parameters<typeof newWords>[0]['says'], y: number): Promise<void> => {
    const meant = { x: 0.15, y, width: 0.7, height: 0.05 };
    // In a colour that reads where they land, on what is really painted there.
    const landed = shown && (await studio.landing(shown, meant));
    const where = landed ?? { area: meant, colour };
    add(
      `Add ${ROLES[role].toLowerCase()}`,
      newWords({ role, says, area: where.area, cut, colour: where.colour, maxSize: 0.06 }),
    );
  };
  const words = (...input: Parameters<typeof put>): void =>
    void put(...input).catch(() => sayFault({ code: 'work-failed', data: {} }));
  const item =
    'cursor-pointer rounded-sm px-3 py-1 outline-none data-[highlighted]:bg-blue-wash data-[disabled]:text-ink-3';
  const head = (text: string) => (
    <DropdownMenu.Label className="px-3 pt-2 pb-0.5 text-xs font-semibold text-ink-2">{text}</DropdownMenu.Label>
  );
  return (
    <>
      {picture.input}
      {mark.element}
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="flex w-full items-center justify-center gap-1.5 rounded-sm border border-edge bg-card px-3 py-1.5 font-semibold hover:border-ink">
          <Plus size={14} /> Add a part
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            side="right"
            sideOffset={20}
            align="end"
            collisionPadding={8}
            className="z-30 grid max-h-[86vh] w-[min(520px,calc(100vw-24px))] grid-cols-3 overflow-auto rounded-sm border border-edge bg-card p-1 pb-2"
          >
            <DropdownMenu.Group>
              {head('Words')}
              {WORDS.filter(({ role, field }) => field && !there.has(role)).map(({ role, field, y }) => (
                <DropdownMenu.Item
                  key={role}
                  className={item}
                  onSelect={() => field && words(role, { kind: 'brief', field }, y)}
                >
                  {ROLES[role]}
                </DropdownMenu.Item>
              ))}
              <DropdownMenu.Item
                className={item}
                onSelect={() => words('endorsement', { kind: 'own', text: 'What a reader says of it' }, 0.78)}
              >
                Endorsement
              </DropdownMenu.Item>
              <DropdownMenu.Item
                className={item}
                onSelect={() => words('free', { kind: 'own', text: 'Your words' }, 0.5)}
              >
                Words
              </DropdownMenu.Item>
              {head('Pictures')}
              <DropdownMenu.Item className={item} onSelect={picture.open}>
                Picture
              </DropdownMenu.Item>
              <DropdownMenu.Item className={item} onSelect={mark.open}>
                Mark
              </DropdownMenu.Item>
              {house.marks.length > 0 && head('Marks of the house')}
              {house.marks.map((one) => (
                <DropdownMenu.Item
                  key={one.id}
                  className={`${item} flex items-center gap-2`}
                  onSelect={() => addMark(one.form)}
                >
                  <MarkPicture form={one.form} className="h-5" />
                  {one.name}
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Group>
            <DropdownMenu.Group>
              {head('Shapes')}
              {SHAPES.map(({ label, form, area, role }) => (
                <DropdownMenu.Item
                  key={label}
                  className={item}
                  onSelect={() =>
                    add(
                      `Add a ${label.toLowerCase()}`,
                      newShape(form, { area: squared(area, form, doc), colour, role: role ?? 'ornament' }),
                    )
                  }
                >
                  {label}
                </DropdownMenu.Item>
              ))}
              {onDraw && (
                <DropdownMenu.Item className={item} onSelect={onDraw}>
                  Drawn curve
                </DropdownMenu.Item>
              )}
            </DropdownMenu.Group>
            <DropdownMenu.Group>
              {head('Overlays')}
              {TEXTURES.map((texture) => (
                <DropdownMenu.Item
                  key={texture}
                  className={item}
                  onSelect={() =>
                    add(
                      `Add ${OVERLAYS[texture].toLowerCase()}`,
                      newOverlay(
                        texture,
                        /rays|fog/.test(texture) ? '#fff6e4' : texture === 'worn' ? '#efe6d4' : '#1d1712',
                        { blend: MIX[texture], opacity: 0.7 },
                      ),
                    )
                  }
                >
                  {OVERLAYS[texture]}
                </DropdownMenu.Item>
              ))}
              <DropdownMenu.Item
                className={item}
                onSelect={() => add('Add a scrim', newScrim({ from: 'top', colour: '#101112', opacity: 0.5 }))}
              >
                Scrim
              </DropdownMenu.Item>
            </DropdownMenu.Group>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  );
}

/** Round forms get a height that makes them round on this cover. */
function squared(area: Area, form: Form, doc: Doc): Area {
  const round = form.kind === 'ellipse' || form.kind === 'polygon' || form.kind === 'burst' || form.kind === 'badge';
  return round ? { ...area, height: (area.width * doc.widthPx) / doc.heightPx } : area;
}
