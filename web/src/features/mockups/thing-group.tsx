import {
  type Kind,
  MOST_THINGS,
  SURFACES,
  type Thing,
  objectOf,
  addThing,
  artFor,
  removeThing,
  setThing,
  thingThickness,
} from '@yosomi/core/mockup';
import { type Others, pagedOn, subjectsOf, titleOn } from '@yosomi/core/recipe';
import { Plus, X } from 'lucide-react';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { NumberField } from '../../ui/number-field';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { Segmented } from '../../ui/segmented';
import { SidePicture } from './side-picture';
import { KIND_MENU, KIND_NAMES, SURFACE_NAMES } from './names';
import { ThingArtFields } from './thing-art';
import { type SetThing, useScene } from './use-scene';

const DEGREE = Math.PI / 180;

/** The things of the scene: which there are, and which one is asked about. */
export function ThingList(props: { chosen: number; onChoose(index: number): void }) {
  const { scene, set } = useScene();
  const { chosen, onChoose } = props;
  const many = scene.things.length > 1;
  return (
    <div role="group" aria-label="Things in the scene" className="flex flex-wrap gap-1.5 px-4 pt-3">
      {scene.things.map((thing, i) => (
        <button
          key={i}
          type="button"
          aria-pressed={i === chosen}
          onClick={() => onChoose(i)}
          className="rounded-sm border border-edge bg-card px-2 py-0.5 text-xs aria-pressed:border-blue aria-pressed:bg-blue-wash aria-pressed:font-semibold"
        >
          {many ? `${i + 1} ` : ''}
          {KIND_NAMES[thing.object.kind]}
        </button>
      ))}
      <button
        type="button"
        aria-label="Add a thing"
        title="Add a thing"
        disabled={scene.things.length >= MOST_THINGS}
        onClick={() => {
          set('Add a thing', addThing('paperback'));
          onChoose(scene.things.length);
        }}
        className="rounded-sm border border-edge bg-card px-1.5 text-xs hover:border-ink disabled:opacity-40"
      >
        <Plus size={13} />
      </button>
      {many && (
        <button
          type="button"
          aria-label={`Take out ${KIND_NAMES[scene.things[chosen].object.kind].toLowerCase()} ${chosen + 1}`}
          title="Take it out"
          onClick={() => {
            set('Take out a thing', removeThing(chosen));
            onChoose(Math.max(0, chosen - 1));
          }}
          className="rounded-sm border border-edge bg-card px-1.5 text-xs hover:border-ink"
        >
          <X size={13} />
        </button>
      )}
    </div>
  );
}

/** What a thing is and what is printed on it. */
export function ThingGroup(props: {
  index: number;
  thing: Thing;
  others: Others;
  mates: readonly { id: string; name: string }[];
}) {
  const { index, thing, others } = props;
  const book = useBook();
  const { scene, set } = useScene();
  const { object, art } = thing;
  const setFields: SetThing = (label, fields, merge = null) =>
    set(label, setThing(index, fields), merge === null ? null : `${merge}-${index}`);
  const title = titleOn(book, art, others);
  const thicknessMm = thingThickness(scene, subjectsOf(book, scene, others), index);
  const thick = 'thicknessMm' in object ? object : null;
  const onScreen = ['ereader', 'tablet', 'phone', 'laptop', 'disc'].includes(object.kind);
  return (
    <Group title="What is on it">
      <Menu
        label="What it is"
        value={object.kind}
        groups={KIND_MENU}
        onChange={(kind) =>
          setFields(`Make it a ${KIND_NAMES[kind as Kind['kind']].toLowerCase()}`, {
            object: objectOf(kind as Kind['kind'], object),
            art: artFor(kind as Kind['kind'], art),
          })
        }
      />
      <ThingArtFields {...props} set={setFields} />
      {hasSpine(object.kind) && (
        <>
          <SidePicture index={index} side="spine" />
          <SidePicture index={index} side="back" />
        </>
      )}
      {thick && (
        <>
          <NumberField
            label="Thickness"
            unit="mm"
            value={thicknessMm}
            least={1}
            most={120}
            step={0.5}
            digits={1}
            onChange={(mm, d) =>
              setFields('Thickness', { object: { ...thick, thicknessMm: mm } }, d ? 'thickness' : null)
            }
          />
          {thick.thicknessMm === null ? (
            <p className="text-xs text-ink-2">
              {thickNote(object.kind, title.brief.pageCount, pagedOn(book, thing, others) !== null)}
            </p>
          ) : (
            <Button
              kind="link"
              className="self-start"
              onClick={() => setFields('Usual thickness', { object: { ...thick, thicknessMm: null } })}
            >
              Take the usual thickness
            </Button>
          )}
        </>
      )}
      {object.kind === 'paperback' && (
        <NumberField
          label="Cover stands off"
          unit="mm"
          value={Math.round(object.liftMm ?? 0)}
          least={0}
          most={40}
          onChange={(v, d) => setFields('Lift the cover', { object: { ...object, liftMm: v } }, d ? 'lift' : null)}
        />
      )}
      {object.kind === 'jacketed' && (
        <NumberField
          label="Opened"
          unit="°"
          value={Math.round(object.openRad / DEGREE)}
          least={0}
          most={135}
          onChange={(v, d) =>
            setFields('Open the book', { object: { ...object, openRad: Math.min(2.4, v * DEGREE) } }, d ? 'open' : null)
          }
        />
      )}
      {onScreen ? (
        <>
          <span className="text-ink-2">Where the ratio differs</span>
          <Segmented
            label="Where the ratio differs"
            value={thing.fit}
            onChange={(fit) => setFields('How it fits', { fit })}
            options={[
              { value: 'whole', label: 'Whole' },
              { value: 'fill', label: 'Fill' },
              ...(title.cover.finished || art.kind === 'page' ? [] : [{ value: 'recompose' as const, label: 'Anew' }]),
            ]}
          />
          <p className="text-xs text-ink-2">{fitNote(thing, title.cover.finished)}</p>
        </>
      ) : (
        <Segmented
          label="Surface"
          value={thing.surface}
          onChange={(surface) => setFields(`Surface: ${surface}`, { surface })}
          options={SURFACES.map((one) => ({ value: one, label: SURFACE_NAMES[one] }))}
        />
      )}
    </Group>
  );
}

const SPINED: ReadonlySet<Kind['kind']> = new Set([
  'paperback',
  'hardcover',
  'jacketed',
  'booklet',
  'magazine',
  'binder',
  'disc-case',
  'carton',
]);
const hasSpine = (kind: Kind['kind']): boolean => SPINED.has(kind);

/** How what is on a screen sits there. */
function fitNote({ art, fit }: Thing, finished: boolean): string {
  if (art.kind === 'page')
    return fit === 'fill' ? 'The page is cut to fill the place.' : 'The whole page is shown, on its paper.';
  if (fit === 'recompose' && !finished) return 'The cover is composed anew for the place.';
  return fit === 'fill' ? 'The cover is cut to fill the place.' : 'The whole cover is shown, on its edge colour.';
}

function thickNote(kind: Kind['kind'], pages: number | null, paged: boolean): string {
  if (kind === 'binder' || kind === 'carton' || (kind === 'open-book' && paged)) return 'What is common for it.';
  if (kind === 'slipcase') return 'As thick as the books in it.';
  return pages ? `From ${pages} pages.` : 'For 240 pages: type the pages in the Brief.';
}
