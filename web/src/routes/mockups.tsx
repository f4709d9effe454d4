import { type Scene, setThing, turnedBy } from '@yosomi/core/mockup';
import { goneFrom, noOthers } from '@yosomi/core/recipe';
import { onScene, withAsset } from '@yosomi/core/project';
import { type KeyboardEvent, type PointerEvent, startTransition, useEffect, useMemo, useRef, useState } from 'react';
import { usePictureInput } from '../features/front/use-picture-input';
import { useSize } from '../features/front/use-size';
import { holdPictures } from '../features/mockups/in-turn';
import { ArrangementStrip } from '../features/mockups/arrangement-strip';
import { ARRANGEMENT_NAMES, KIND_NAMES } from '../features/mockups/names';
import { SaveMockup } from '../features/mockups/save-mockup';
import { GroundGroup, LightGroup, PoseGroup } from '../features/mockups/scene-groups';
import { ThingGroup, ThingList } from '../features/mockups/thing-group';
import { useLiveMockup } from '../features/mockups/use-live-mockup';
import { useOthers, useShelfMates } from '../features/mockups/use-others';
import { useScene } from '../features/mockups/use-scene';
import { sayFault } from '../messages/say';
import { sentenceOf } from '../messages/sentences';
import { useBook, useSession } from '../state/session';
import { arrowStep } from '../ui/arrow-keys';
import { Side, Sides } from '../ui/sides';
import { Beside } from '../state/beside';
import { useCoverColours } from '../work/queries';
import { thingAt, traceJob } from '../work/trace';

type Grip = { readonly x: number; readonly y: number; readonly pose: Scene['pose']; readonly key: string };

const STATES = {
  making: 'Making the scene',
  preview: 'Preview',
  final: 'Final',
  failed: 'The picture could not be made. Move the scene to try again.',
} as const;

export function MockupsPage() {
  const book = useBook();
  const edit = useSession((s) => s.edit);
  const { scene, set } = useScene();
  const read = useOthers(scene);
  const others = read ?? noOthers;
  const gone = read ? goneFrom(scene, book, read).length : 0;
  const { mates, series, place } = useShelfMates(book);
  const volumes = useMemo(() => ({ series, place }), [series, place]);
  const [asked, setAsked] = useState(0);
  const chosen = Math.min(asked, scene.things.length - 1);
  const room = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const grip = useRef<Grip | null>(null);
  const dragged = useRef(false);
  const [turning, setTurning] = useState(false);
  const space = useSize(room);
  const { data: colours } = useCoverColours(book);

  const { frame } = scene;
  const k = space ? Math.min(space.width / frame.widthPx, space.height / frame.heightPx) : 0;
  const [width, height] = [Math.floor(frame.widthPx * k), Math.floor(frame.heightPx * k)];
  const ratio = Math.min(2, window.devicePixelRatio);
  const size =
    Math.min(width, height) > 20 ? { widthPx: Math.round(width * ratio), heightPx: Math.round(height * ratio) } : null;
  // Nothing is shown in the place of titles that are still read.
  const state = useLiveMockup(canvas, book, scene, others, read && size);
  const [settled, setSettled] = useState(false);
  if (state === 'final' && !settled) setSettled(true);

  useEffect(() => {
    holdPictures(turning);
    return () => holdPictures(false);
  }, [turning]);

  const turnBy = (pose: Scene['pose'], dx: number, dy: number, key: string): void =>
    set('Turn', turnedBy(pose, dx, dy), key);
  const drag = (e: PointerEvent): void => {
    const from = grip.current;
    if (!from) return;
    const [dx, dy] = [e.clientX - from.x, e.clientY - from.y];
    if (!dragged.current && Math.hypot(dx, dy) < 4) return;
    if (!dragged.current) setTurning(true);
    dragged.current = true;
    turnBy(from.pose, dx / 180, dy / 300, from.key);
  };
  const drop = (e: PointerEvent<HTMLCanvasElement>): void => {
    const clicked = grip.current && !dragged.current;
    grip.current = null;
    // All that waited is drawn again, in slices.
    startTransition(() => setTurning(false));
    if (!clicked || !size || scene.things.length < 2) return;
    const box = e.currentTarget.getBoundingClientRect();
    const [x, y] = [
      ((e.clientX - box.left) / box.width) * size.widthPx,
      ((e.clientY - box.top) / box.height) * size.heightPx,
    ];
    void thingAt(traceJob(book, scene, others, size), x, y).then(
      (found) => found !== null && setAsked(found),
      () => sayFault({ code: 'work-failed', data: {} }),
    );
  };
  const keys = (e: KeyboardEvent): void => {
    const d = arrowStep(e, 0.035, 0.2);
    if (d) turnBy(scene.pose, d[0], d[1], 'turn-keys');
  };
  const thing = scene.things[chosen];
  /** A picture dropped anywhere here goes on the chosen thing. */
  const dropped = usePictureInput(({ asset }) => {
    void edit(
      'Picture on it',
      withAsset(asset, onScene(setThing(chosen, { art: { kind: 'picture', asset: asset.id } }))),
    );
  });
  const what =
    scene.things.length === 1
      ? KIND_NAMES[thing.object.kind].toLowerCase()
      : `${ARRANGEMENT_NAMES[scene.arrangement].toLowerCase()}, ${scene.things.length} things`;

  return (
    <main
      className="flex min-h-0 flex-1"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        const file = e.dataTransfer.files[0];
        if (file) dropped.take(file);
      }}
    >
      <h1 className="sr-only">Mockups</h1>
      <Sides names={['Arrangements', 'Inspector']}>
        <Side name="Arrangements">
          <Beside busy={turning}>
            <ArrangementStrip volumes={volumes} ready={settled} />
          </Beside>
        </Side>
        <section aria-label="Scene" className="flex min-w-0 flex-1 flex-col bg-[#dadbd8]">
          <div ref={room} className="relative min-h-0 flex-1">
            <canvas
              ref={canvas}
              width={size?.widthPx ?? 1}
              height={size?.heightPx ?? 1}
              tabIndex={0}
              role="img"
              aria-label={`${book.brief.title || 'The book'} in 3D: ${what}. Drag or use the arrow keys to turn it.`}
              data-state={state}
              onKeyDown={keys}
              onPointerDown={(e) => {
                e.currentTarget.setPointerCapture(e.pointerId);
                dragged.current = false;
                grip.current = { x: e.clientX, y: e.clientY, pose: scene.pose, key: `turn-${e.timeStamp}` };
              }}
              onPointerMove={drag}
              onPointerUp={drop}
              onPointerCancel={() => {
                grip.current = null;
                setTurning(false);
              }}
              className="absolute top-1/2 left-1/2 -translate-x-1/2 -translate-y-1/2 cursor-grab touch-none active:cursor-grabbing"
              style={{ width, height }}
            />
          </div>
          {gone > 0 && (
            <p role="status" className="border-t border-may bg-may-wash px-4 py-2 text-ink">
              {sentenceOf({ code: 'volume-gone', data: { count: gone } })}
            </p>
          )}
          <footer className="flex h-10 shrink-0 items-center gap-4 bg-paper px-4 text-xs text-ink-2">
            <span className="font-mono">
              {frame.widthPx} x {frame.heightPx}
            </span>
            <span role="status">{STATES[state]}</span>
            <span className="ml-auto">
              {scene.things.length > 1 ? 'Drag to turn, click a thing to choose it' : 'Drag to turn it'}
            </span>
          </footer>
        </section>
        <Side name="Inspector">
          <aside aria-label="Inspector" className="flex w-[288px] shrink-0 flex-col overflow-auto border-l border-line">
            <Beside busy={turning}>
              <h2 className="px-4 pt-4 text-base font-semibold">{KIND_NAMES[thing.object.kind]}</h2>
              <ThingList chosen={chosen} onChoose={setAsked} />
              <ThingGroup key={chosen} index={chosen} thing={thing} others={others} mates={mates} />
            </Beside>
            {/* Its angles are read while the hand turns. */}
            <PoseGroup chosen={chosen} />
            <Beside busy={turning}>
              <LightGroup />
              <GroundGroup swatches={colours ?? []} />
              <SaveMockup others={others} />
            </Beside>
          </aside>
        </Side>
      </Sides>
    </main>
  );
}
