import type { Scene } from '@yosomi/core/mockup';
import { bookThickness } from '@yosomi/core/recipe';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { Link } from 'react-router';
import { LightBall } from '../features/mockups/light-ball';
import { SaveMockup } from '../features/mockups/save-mockup';
import { useLiveMockup } from '../features/mockups/use-live-mockup';
import { useSize } from '../features/front/use-size';
import { useBook, useSession } from '../state/session';
import { arrowStep } from '../ui/arrow-keys';
import { Bitmap } from '../ui/bitmap';
import { Button } from '../ui/button';
import { ColourField } from '../ui/colour-field';
import { NumberField } from '../ui/field';
import { Group } from '../ui/group';
import { Segmented } from '../ui/segmented';
import { Slider } from '../ui/slider';
import { useCoverBitmap, useCoverColours, useSpineBitmap } from '../work/queries';

const DEGREE = Math.PI / 180;

/** Ready stands of the one book. */
const STANDS: readonly { name: string; pose: Scene['pose'] }[] = [
  { name: 'Spine in view', pose: { turnRad: 0.51, tiltRad: 0.2, lensMm: 85 } },
  { name: 'Straight on', pose: { turnRad: 0, tiltRad: 0.06, lensMm: 120 } },
  { name: 'Turned away', pose: { turnRad: -0.55, tiltRad: 0.2, lensMm: 85 } },
  { name: 'From above', pose: { turnRad: 0.62, tiltRad: 0.6, lensMm: 70 } },
];

export function MockupsPage() {
  const book = useBook();
  const { scene } = book;
  const edit = useSession((s) => s.edit);
  const room = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const grip = useRef<{ x: number; y: number; pose: Scene['pose']; key: string } | null>(null);
  const space = useSize(room);
  const ratio = Math.min(2, window.devicePixelRatio);
  const side = space ? Math.floor(Math.min(space.width, space.height)) : 0;
  const size = side > 40 ? { widthPx: Math.round(side * ratio), heightPx: Math.round(side * ratio) } : null;
  const state = useLiveMockup(canvas, book, scene, size);
  const { data: front } = useCoverBitmap(book, 60 * ratio);
  const { data: spine } = useSpineBitmap(book, Math.max(4, Math.round((96 * bookThickness(book)) / 203)), 96);
  const { data: colours } = useCoverColours(book);

  const set = (label: string, change: (s: Scene) => void, merge: string | null = null): void =>
    void edit(label, (b) => change(b.scene), merge);
  const turnBy = (pose: Scene['pose'], dx: number, dy: number, key: string): void =>
    set(
      'Turn the book',
      (s) => {
        const full = 2 * Math.PI;
        let turn = pose.turnRad + dx;
        if (turn > Math.PI) turn -= full;
        if (turn < -Math.PI) turn += full;
        s.pose = { ...pose, turnRad: turn, tiltRad: Math.min(1.2, Math.max(0, pose.tiltRad + dy)) };
      },
      key,
    );
  const drag = (e: PointerEvent): void => {
    const from = grip.current;
    if (from) turnBy(from.pose, (e.clientX - from.x) / 180, (e.clientY - from.y) / 300, from.key);
  };
  const keys = (e: KeyboardEvent): void => {
    const d = arrowStep(e, 0.035, 0.2);
    if (d) turnBy(scene.pose, d[0], d[1], 'turn-keys');
  };
  const thickness = bookThickness(book);
  const ground = scene.ground.kind === 'colour' ? scene.ground.colour : null;

  return (
    <main className="flex min-h-0 flex-1">
      <h1 className="sr-only">Mockups</h1>
      <nav aria-label="Stands" className="flex w-[148px] shrink-0 flex-col gap-1 border-r border-line py-4">
        <h2 className="px-4 pb-1.5 text-xs font-semibold text-ink-2">How it can stand</h2>
        {STANDS.map((stand) => {
          const on =
            Math.abs(stand.pose.turnRad - scene.pose.turnRad) < 0.01 &&
            Math.abs(stand.pose.tiltRad - scene.pose.tiltRad) < 0.01;
          return (
            <button
              key={stand.name}
              type="button"
              aria-pressed={on}
              onClick={() => set(`Stand: ${stand.name.toLowerCase()}`, (s) => void (s.pose = { ...stand.pose }))}
              className="border-l-3 border-transparent px-4 py-2 text-left hover:bg-line/50 aria-pressed:border-blue aria-pressed:bg-blue-wash aria-pressed:font-semibold"
            >
              {stand.name}
            </button>
          );
        })}
      </nav>
      <section aria-label="Scene" className="flex min-w-0 flex-1 flex-col" style={{ background: ground ?? '#dadbd8' }}>
        <div ref={room} className="relative min-h-0 flex-1">
          <canvas
            ref={canvas}
            width={size?.widthPx ?? 1}
            height={size?.heightPx ?? 1}
            tabIndex={0}
            role="img"
            aria-label={`${book.brief.title || 'The book'} as a paperback in 3D. Drag or use the arrow keys to turn it.`}
            data-state={state}
            onKeyDown={keys}
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              grip.current = { x: e.clientX, y: e.clientY, pose: scene.pose, key: `turn-${e.timeStamp}` };
            }}
            onPointerMove={drag}
            onPointerUp={() => (grip.current = null)}
            onPointerCancel={() => (grip.current = null)}
            className="absolute top-1/2 left-1/2 -translate-x-1/2 -translate-y-1/2 cursor-grab touch-none active:cursor-grabbing"
            style={{ width: side, height: side }}
          />
        </div>
        <footer className="flex h-10 shrink-0 items-center gap-4 bg-paper px-4 text-xs text-ink-2">
          <span className="font-mono">2000 x 2000</span>
          <span role="status">
            {
              {
                making: 'Making the book',
                preview: 'Preview',
                final: 'Final',
                failed: 'The picture could not be made. Move the book to try again.',
              }[state]
            }
          </span>
          <span className="ml-auto">Drag the book to turn it</span>
        </footer>
      </section>
      <aside aria-label="Inspector" className="flex w-[288px] shrink-0 flex-col overflow-auto border-l border-line">
        <h2 className="px-4 pt-4 text-base font-semibold">Paperback</h2>
        <Group title="What is on it">
          <div className="flex items-center gap-3">
            <Bitmap bitmap={front ?? null} label="Front" className="h-12 w-auto" />
            <p className="flex-1">
              <b>Front</b>
              <span className="block text-xs text-ink-2">this cover, as it is now</span>
            </p>
            <Link to="../front" className="underline underline-offset-2">
              Edit
            </Link>
          </div>
          <div className="flex items-center gap-3">
            <span className="flex w-[30px] justify-center">
              <Bitmap bitmap={spine ?? null} label="Spine" className="h-12 w-auto" />
            </span>
            <p className="flex-1">
              <b>Spine</b>
              <span className="block text-xs text-ink-2">made from the front</span>
            </p>
          </div>
          <NumberField
            label="Thickness"
            unit="mm"
            value={thickness}
            least={1}
            most={120}
            step={0.5}
            digits={1}
            onChange={(mm, d) => set('Thickness', (s) => void (s.object.thicknessMm = mm), d ? 'thickness' : null)}
          />
          {scene.object.thicknessMm === null ? (
            <p className="text-xs text-ink-2">
              {book.brief.pageCount
                ? `From ${book.brief.pageCount} pages.`
                : 'For 240 pages: type the pages in the Brief.'}
            </p>
          ) : (
            <Button
              kind="link"
              className="self-start"
              onClick={() => set('Thickness from pages', (s) => void (s.object.thicknessMm = null))}
            >
              Take it from the pages
            </Button>
          )}
        </Group>
        <Group title="How it stands">
          <NumberField
            label="Turn"
            unit="°"
            value={Math.round(scene.pose.turnRad / DEGREE)}
            least={-180}
            most={180}
            onChange={(v, d) => set('Turn the book', (s) => void (s.pose.turnRad = v * DEGREE), d ? 'turn' : null)}
          />
          <NumberField
            label="Seen from above"
            unit="°"
            value={Math.round(scene.pose.tiltRad / DEGREE)}
            least={0}
            most={68}
            onChange={(v, d) => set('Tilt', (s) => void (s.pose.tiltRad = v * DEGREE), d ? 'tilt' : null)}
          />
          <Slider
            label="Lens"
            value={scene.pose.lensMm}
            least={24}
            most={200}
            step={1}
            onChange={(v) => set('Lens', (s) => void (s.pose.lensMm = v), 'lens')}
            format={(v) => `${v}`}
          />
        </Group>
        <Group title="How it is lit">
          <div className="flex items-center gap-4">
            <LightBall
              azimuthRad={scene.light.azimuthRad}
              heightRad={scene.light.heightRad}
              onChange={(az, h) =>
                set(
                  'Move the light',
                  (s) => {
                    s.light.azimuthRad = az;
                    s.light.heightRad = h;
                  },
                  'light',
                )
              }
            />
            <p className="text-xs text-ink-2">Drag the point to where the light should come from.</p>
          </div>
          {(
            [
              ['softness', 'Soft'],
              ['shadow', 'Shadow'],
              ['gloss', 'Gloss'],
            ] as const
          ).map(([name, label]) => (
            <Slider
              key={name}
              label={label}
              value={scene.light[name]}
              least={0}
              most={1}
              step={0.01}
              onChange={(v) => set(label, (s) => void (s.light[name] = v), `light-${name}`)}
              format={(v) => `${Math.round(v * 100)}`}
            />
          ))}
        </Group>
        <Group title="What it stands on">
          <Segmented
            label="Ground"
            value={scene.ground.kind}
            onChange={(kind) =>
              set(
                'Ground',
                (s) => void (s.ground = kind === 'clear' ? { kind } : { kind, colour: colours?.[1] ?? '#dadbd8' }),
              )
            }
            options={[
              { value: 'clear', label: 'Clear' },
              { value: 'colour', label: 'Colour' },
            ]}
          />
          {scene.ground.kind === 'colour' && (
            <ColourField
              label="Ground colour"
              value={scene.ground.colour}
              swatches={(colours ?? []).slice(0, 6)}
              onChange={(colour, d) =>
                set('Ground colour', (s) => void (s.ground = { kind: 'colour', colour }), d ? 'ground' : null)
              }
            />
          )}
        </Group>
        <div className="sticky bottom-0 mt-auto border-t border-line bg-paper p-4">
          <SaveMockup />
        </div>
      </aside>
    </main>
  );
}
