import { type Kept, MOST_PICTURES, PICTURED, findStructure } from '@yosomi/core/sketch';
import { FAMILIES } from '@yosomi/core/text';
import { ImagePlus, Images, Shuffle, X } from 'lucide-react';
import { Suspense, lazy, useEffect, useState } from 'react';
import { useActions } from '../../state/actions';
import { useFrom, useSession } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { ColourField } from '../../ui/colour-field';
import { NumberField } from '../../ui/number-field';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { Segmented } from '../../ui/segmented';
import { useAssetBitmap } from '../../work/sketch-queries';
import { useHouse } from '../front/use-house';
import { usePictureInput } from '../front/use-picture-input';
import { RightsNotes } from '../rights/rights-notes';
import { SCENERIES, type SceneryKind } from '@yosomi/core/scenery';
import { KindFields } from './kind-fields';
import { LikeAnother } from './like-another';
import { PICTURED_NAMES, SCENERY_NAMES } from './names';
import { withPicture } from './sheet-edits';
import { useDrawn } from './use-drawn';
import { useRecompose } from './use-recompose';
import { useSheetAsk } from './use-sheet';

const SheetDesk = lazy(() => import('../desk/title-desk').then((m) => ({ default: m.SheetDesk })));

const MOST_SEED = 999_999;
/** The faces that can be asked for: one upright cut of each family, the heavier where it has several. */
const FACES = FAMILIES.map((f) => {
  const upright = f.cuts.filter((c) => !c.italic);
  return { value: upright[upright.length - 1].id, label: f.name };
});

/** What the sheet is made from; every change makes it anew, and can be undone. */
export function SheetAsks({ onLike }: { onLike(kept: Kept, title: string): void }) {
  const ask = useSheetAsk();
  const edit = useSession((s) => s.edit);
  const { house } = useHouse();
  const { seed, pictures, must, house: withHouse, taken, pictured, authorLarge } = useFrom((b) => b.sheet);
  const input = usePictureInput((taken) => void edit('Picture for the sheet', withPicture(taken.asset)));
  const recompose = useRecompose();
  const { drawing, draw } = useDrawn();
  const [desk, setDesk] = useState(false);
  const offer = useActions((s) => s.offer);
  const withdraw = useActions((s) => s.withdraw);
  useEffect(() => {
    const also = 'photo image library find search background own pictures';
    offer('sheet-desk', [
      { id: 'sheet-desk', label: 'Picture desk', also, group: 'Sketches', run: () => setDesk(true) },
    ]);
    return () => withdraw('sheet-desk');
  }, [offer, withdraw]);
  const marked = house.marks[0];
  const housed = house.colours.length > 0 || house.faces.length > 0;
  return (
    <aside
      aria-label="What the sheet is made from"
      className="flex w-[236px] shrink-0 flex-col overflow-y-auto border-r border-line"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        const file = e.dataTransfer.files[0];
        if (file) input.take(file);
      }}
    >
      {input.input}
      <h2 className="sr-only">What the sheet is made from</h2>
      <Group title="The book">
        <KindFields />
      </Group>
      <Group title="Pictures">
        {pictures.length === 0 && <p className="text-ink-2">None yet. The sheet works with type and colour.</p>}
        <ul className="flex flex-wrap gap-2" aria-label="Pictures of the sheet">
          {pictures.map((id, i) => (
            <Picture
              key={id}
              id={id}
              place={i + 1}
              onRemove={() =>
                ask('Picture off the sheet', (s) => void (s.pictures = s.pictures.filter((one) => one !== id)))
              }
            />
          ))}
        </ul>
        <RightsNotes pictures={pictures} />
        <Button onClick={input.open} disabled={pictures.length >= MOST_PICTURES}>
          <ImagePlus size={15} aria-hidden />
          Add a picture
        </Button>
        <Button onClick={() => setDesk(true)}>
          <Images size={15} aria-hidden />
          Picture desk
        </Button>
        {desk && (
          <Suspense fallback={null}>
            <SheetDesk onClose={() => setDesk(false)} />
          </Suspense>
        )}
        <Menu
          label="Draw a picture"
          value={drawing ?? 'none'}
          onChange={(kind) => draw(kind as SceneryKind)}
          groups={[
            {
              title: 'Drawn in the colours of the mood',
              options: [
                ...(drawing ? [] : [{ value: 'none', label: 'Draw one for me' }]),
                ...SCENERIES.map((k) => ({
                  value: k,
                  label: drawing === k ? `Drawing: ${SCENERY_NAMES[k]}` : SCENERY_NAMES[k],
                })),
              ],
            },
          ]}
        />
      </Group>
      {pictures.length > 0 && (
        <Group title="Covers that show one">
          <Segmented
            label="Covers that show a picture"
            value={pictured}
            onChange={(next) => ask('Covers with a picture', (s) => void (s.pictured = next))}
            options={PICTURED.map((value) => ({ value, label: PICTURED_NAMES[value] }))}
          />
        </Group>
      )}
      <Group title="It must have">
        <Check
          label="A colour"
          checked={must.colour !== null}
          onChange={(on) =>
            ask('Colour of the sheet', (s) => void (s.must.colour = on ? (house.colours[0] ?? '#2b4a6b') : null))
          }
        >
          <ColourField
            label="Colour"
            value={must.colour ?? '#2b4a6b'}
            swatches={house.colours}
            onChange={(hex, dragging) =>
              edit('Colour of the sheet', (b) => void (b.sheet.must.colour = hex), dragging ? 'sheet-colour' : null)
            }
          />
        </Check>
        <Check
          label="A face"
          checked={must.cut !== null}
          onChange={(on) => ask('Face of the sheet', (s) => void (s.must.cut = on ? FACES[0].value : null))}
        >
          <Menu
            label="Face"
            value={must.cut ?? FACES[0].value}
            onChange={(cut) => ask('Face of the sheet', (s) => void (s.must.cut = cut))}
            groups={[{ title: 'Faces', options: FACES }]}
          />
        </Check>
        <Check
          label={marked ? `The mark: ${marked.name}` : 'The mark of the house'}
          disabled={!marked && must.mark === null}
          checked={must.mark !== null}
          onChange={(on) =>
            ask('Mark of the sheet', (s) => void (s.must.mark = on && marked ? structuredClone(marked.form) : null))
          }
        />
        <Check
          label="The author’s name large"
          checked={authorLarge}
          onChange={(on) => ask('Author’s name large', (s) => void (s.authorLarge = on))}
        />
        <Check
          label="Colours and faces of the house"
          disabled={!housed && !withHouse}
          checked={withHouse}
          onChange={(on) => ask('House style on the sheet', (s) => void (s.house = on))}
        />
        {!housed && !marked && (
          <p className="text-xs text-ink-2">A house style is set up on the Front, under House style.</p>
        )}
      </Group>
      <Group title="Which sheet">
        <NumberField
          label="Number"
          value={seed}
          least={0}
          most={MOST_SEED}
          onChange={(n, dragging) =>
            edit('Number of the sheet', (b) => void (b.sheet.seed = Math.round(n)), dragging ? 'sheet-seed' : null)
          }
        />
        <Button onClick={() => ask('Another sheet', (s) => void (s.seed = (s.seed + 1) % (MOST_SEED + 1)))}>
          <Shuffle size={15} aria-hidden />
          Other covers
        </Button>
        <p className="text-xs text-ink-2">The same number gives the same covers, here and from a title file.</p>
      </Group>
      <LikeAnother onLike={onLike} />
      {taken && recompose && (
        <Group title="On the Front">
          <p>{findStructure(taken.structure)?.name ?? 'A sketch'}.</p>
          <Button onClick={recompose}>Compose it anew</Button>
          <p className="text-xs text-ink-2">For when words, pictures or the size have changed a lot since.</p>
        </Group>
      )}
    </aside>
  );
}

function Picture({ id, place, onRemove }: { id: string; place: number; onRemove(): void }) {
  const { data } = useAssetBitmap(id, 128);
  return (
    <li className="relative">
      <Bitmap bitmap={data ?? null} label={`Picture ${place}`} className="block h-16 w-16 bg-line object-cover" />
      <button
        type="button"
        aria-label={`Take picture ${place} off the sheet`}
        onClick={onRemove}
        className="absolute -top-1.5 -right-1.5 rounded-full border border-edge bg-card p-0.5 text-ink-2 hover:text-ink"
      >
        <X size={12} aria-hidden />
      </button>
    </li>
  );
}
