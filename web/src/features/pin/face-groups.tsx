import { takeAsset } from '@yosomi/core/project';
import {
  BENDS,
  FACE_FITS,
  type FaceFit,
  MOST_FACES,
  type PinFace,
  type PinScene,
  newFace,
  pointsOf,
  ratioOf,
  rebent,
} from '@yosomi/core/pin';
import { Plus, X } from 'lucide-react';
import { sayFault } from '../../messages/say';
import { freshId } from '../../platform/ids';
import { useBook, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { ColourField } from '../../ui/colour-field';
import { TextField } from '../../ui/field';
import { NumberField } from '../../ui/number-field';
import { Group } from '../../ui/group';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { pinner } from '../../work/pins';
import { useCoverColours } from '../../work/queries';
import { usePictureInput } from '../front/use-picture-input';
import { CORNER_NAMES } from './face-handles';
import { placedInMiddle, sayFound, tuples } from './take-photo';
import type { SetFace, SetPin } from './use-pin';

const NAMES = ['Front', 'Spine', 'Top', 'Back', 'Fifth face', 'Sixth face'];
const percent = (v: number): string => `${Math.round(v * 100)}`;

/** The faces of the photograph; one is chosen, and others can be added. */
export function FaceList(props: { pin: PinScene; set: SetPin; chosen: number; onChoose(face: number): void }) {
  const { pin, set, chosen, onChoose } = props;
  const add = (): void => {
    const name = NAMES[pin.faces.length] ?? 'Face';
    const art = { kind: 'side', side: name === 'Spine' ? 'spine' : name === 'Back' ? 'back' : 'front' } as const;
    set('Add a face', (p) => void p.faces.push(newFace(freshId(), name, placedInMiddle(pin.photo, 0.4), art)));
    onChoose(pin.faces.length);
  };
  return (
    <Group title="Faces in the photograph">
      <ul className="flex flex-col gap-1">
        {pin.faces.map((face, i) => (
          <li key={face.id} className="flex items-center gap-1">
            <button
              type="button"
              aria-pressed={i === chosen}
              onClick={() => onChoose(i)}
              className="flex-1 truncate rounded-sm border-l-3 border-transparent px-2 py-1 text-left hover:bg-line/50 aria-pressed:border-blue aria-pressed:bg-blue-wash aria-pressed:font-semibold"
            >
              {face.name}
            </button>
            <button
              type="button"
              aria-label={`Remove ${face.name}`}
              title={`Remove ${face.name}`}
              className="p-1 text-ink-2 hover:text-ink"
              onClick={() => {
                set(`Remove ${face.name}`, (p) => void p.faces.splice(i, 1));
                onChoose(Math.max(0, i - 1));
              }}
            >
              <X size={14} />
            </button>
          </li>
        ))}
      </ul>
      {pin.faces.length === 0 && <p className="text-ink-2">Nothing is pinned yet. Add a face and drag its corners.</p>}
      <Button disabled={pin.faces.length >= MOST_FACES} onClick={add}>
        <Plus size={14} aria-hidden /> Add a face
      </Button>
    </Group>
  );
}

const FIT_NAMES: Readonly<Record<FaceFit, string>> = { corners: 'To the corners', fill: 'Cut to fill', whole: 'Whole' };

/** What lies on a face. */
export function ArtGroup({ pin, face, setFace }: { pin: PinScene; face: PinFace; setFace: SetFace }) {
  const book = useBook();
  const edit = useSession((s) => s.edit);
  const { data: colours } = useCoverColours(book);
  const picture = usePictureInput(({ asset }) => {
    edit('Picture on it', (b) => {
      takeAsset(b, asset);
      const own = b.pin?.faces.find((one) => one.id === face.id);
      if (own) own.art = { kind: 'picture', asset: asset.id };
    });
  });
  const { art } = face;
  const kind = art.kind === 'side' ? art.side : art.kind;
  const choose = (next: string): void => {
    if (next === 'picture') return picture.open();
    if (next === 'colour')
      return setFace('A colour on it', (f) => void (f.art = { kind: 'colour', colour: colours?.[0] ?? '#c9c4b8' }));
    setFace(
      'What lies on it',
      (f) => void (f.art = { kind: 'side', side: next === 'spine' ? 'spine' : next === 'back' ? 'back' : 'front' }),
    );
  };
  const seen = ratioOf(pointsOf(face.corners), { width: pin.photo.widthPx, height: pin.photo.heightPx });
  const asset = art.kind === 'picture' ? book.assets[art.asset] : null;
  const own = asset ? asset.widthPx / asset.heightPx : book.cover.widthPx / book.cover.heightPx;
  const compared = (art.kind === 'picture' && asset) || (art.kind === 'side' && art.side === 'front');
  const differs = compared && Math.abs(seen / own - 1) > 0.04;
  return (
    <Group title="What lies on it">
      {picture.input}
      <TextField
        label="Name of the face"
        value={face.name}
        maxLength={60}
        onChange={(v) => setFace('Name of the face', (f) => void (f.name = v || 'Face'), 'face-name')}
      />
      <Segmented
        label="Art"
        value={kind}
        onChange={choose}
        options={[
          { value: 'front', label: 'Front' },
          { value: 'spine', label: 'Spine' },
          { value: 'back', label: 'Back' },
        ]}
      />
      <Segmented
        label="Other art"
        value={kind}
        onChange={choose}
        options={[
          { value: 'picture', label: 'A picture' },
          { value: 'colour', label: 'A colour' },
        ]}
      />
      {asset && (
        <p className="text-xs text-ink-2">
          {asset.name}, {asset.widthPx} x {asset.heightPx}.{' '}
          <Button kind="link" onClick={picture.open}>
            Choose another
          </Button>
        </p>
      )}
      {art.kind === 'colour' && (
        <ColourField
          label="Colour of the face"
          value={art.colour}
          swatches={colours ?? []}
          onChange={(hex, d) =>
            setFace(
              'Colour of the face',
              (f) => void (f.art = { kind: 'colour', colour: hex }),
              d ? 'face-colour' : null,
            )
          }
        />
      )}
      {compared && (
        <>
          <p className={`text-xs ${differs ? 'text-may' : 'text-ink-2'}`}>
            The face seems to be 1 : {(1 / seen).toFixed(2)}, the art is 1 : {(1 / own).toFixed(2)}.
            {differs && face.fit === 'corners' ? ' It is drawn out to the corners.' : ''}
          </p>
          {(differs || face.fit !== 'corners') && (
            <Segmented<FaceFit>
              label="How it fits"
              value={face.fit}
              onChange={(v) => setFace('How it fits', (f) => void (f.fit = v))}
              options={FACE_FITS.map((value) => ({ value, label: FIT_NAMES[value] }))}
            />
          )}
        </>
      )}
    </Group>
  );
}

/** Where the corners are, and what finds them. */
export function CornersGroup(props: {
  pin: PinScene;
  face: PinFace;
  setFace: SetFace;
  opacity: number;
  onOpacity(v: number): void;
}) {
  const { pin, face, setFace, opacity, onOpacity } = props;
  const { asset } = pin.photo;
  const failed = (): void => sayFault({ code: 'work-failed', data: {} });
  const find = async (): Promise<void> => {
    const worker = pinner();
    const found = await worker.ask(worker.api.find(asset));
    if (found && found.kind !== 'none') setFace('Find the corners', (f) => void (f.corners = tuples(found.corners)));
    sayFound(found);
  };
  const settle = async (): Promise<void> => {
    const worker = pinner();
    const corners = await worker.ask(worker.api.settle(asset, pointsOf(face.corners)));
    if (corners) setFace('Move to the edges', (f) => void (f.corners = tuples(corners)));
  };
  return (
    <Group title="Corners, px of the photograph">
      <div className="grid grid-cols-[1fr_auto_auto] items-center gap-x-2 gap-y-1.5">
        {face.corners.map(([x, y], c) => {
          const set = (axis: 0 | 1) => (v: number, d: boolean) =>
            setFace('Move a corner', (f) => void (f.corners[c][axis] = v), d ? `corner-${c}-${axis}` : null);
          const one = { digits: 1, step: 0.5, hideLabel: true } as const;
          return (
            <span key={c} className="contents">
              <span className="text-ink-2">{CORNER_NAMES[c]}</span>
              <NumberField
                label={`${CORNER_NAMES[c]}, across`}
                value={x}
                least={-pin.photo.widthPx}
                most={2 * pin.photo.widthPx}
                onChange={set(0)}
                {...one}
              />
              <NumberField
                label={`${CORNER_NAMES[c]}, down`}
                value={y}
                least={-pin.photo.heightPx}
                most={2 * pin.photo.heightPx}
                onChange={set(1)}
                {...one}
              />
            </span>
          );
        })}
      </div>
      <div className="grid grid-cols-2 gap-1.5">
        <Button onClick={() => void find().catch(failed)}>Find them</Button>
        <Button onClick={() => void settle().catch(failed)} title="Moves each side to the edge that is nearest to it">
          To the edges
        </Button>
        <Button
          className="col-span-2"
          onClick={() => setFace('Turn the art', (f) => void (f.corners = [f.corners[3], ...f.corners.slice(0, 3)]))}
        >
          Turn the art a quarter
        </Button>
      </div>
      <Slider label="Art shows" value={opacity} least={0} most={1} step={0.05} onChange={onOpacity} format={percent} />
    </Group>
  );
}

/** Whether the face is bowed, and by how many points. */
export function BendGroup({ face, setFace }: { face: PinFace; setFace: SetFace }) {
  const value = face.bend ? String(face.bend.size) : 'flat';
  return (
    <Group title="Bend">
      <Segmented
        label="Points of the bend"
        value={value}
        onChange={(v) =>
          setFace(
            'Points of the bend',
            (f) => void (f.bend = v === 'flat' ? null : rebent(f.bend, Number(v) as (typeof BENDS)[number])),
          )
        }
        options={[{ value: 'flat', label: 'Flat' }, ...BENDS.map((n) => ({ value: String(n), label: `${n} x ${n}` }))]}
      />
      <p className="text-xs text-ink-2">
        {face.bend
          ? 'Drag the points in the photograph to where the paper bows. The corners stay.'
          : 'For a bowed cover or a round spine, choose how many points bend it.'}
      </p>
    </Group>
  );
}
