import { ARRANGEMENTS, type Arrangement, arranged, setWholeScene, defaultScene } from '@yosomi/core/mockup';
import { useMemo } from 'react';
import { useBook } from '../../state/session';
import { useRested } from '../../ui/use-rested';
import { MockupKinds } from './mockup-kinds';
import { KeptScenes } from './kept-scenes';
import { ARRANGEMENT_NAMES } from './names';
import { ScenePicture } from './scene-picture';
import { useScene } from './use-scene';

const THUMB_PX = 116;

/** The other volumes of the series in reading order, and how many of them come before this one. */
export type Volumes = { readonly series: readonly string[]; readonly place: number };

/** Ready arrangements, each shown with this title's own cover once the scene itself is `ready`. */
export function ArrangementStrip({ volumes, ready }: { volumes: Volumes; ready: boolean }) {
  const { series, place } = volumes;
  const { scene, set } = useScene();
  return (
    <nav
      aria-label="Arrangements"
      className="flex w-[148px] shrink-0 flex-col overflow-y-auto border-r border-line py-3"
    >
      <MockupKinds />
      <h2 className="px-4 pb-1.5 text-xs font-semibold text-ink-2">How it can stand</h2>
      {ARRANGEMENTS.map((one) => (
        <ArrangementButton
          key={one}
          arrangement={one}
          volumes={volumes}
          ready={ready}
          chosen={scene.arrangement === one}
          onChoose={() =>
            set(
              `Arrangement: ${ARRANGEMENT_NAMES[one].toLowerCase()}`,
              setWholeScene(arranged(scene, one, series, place)),
            )
          }
        />
      ))}
      <KeptScenes series={series} />
    </nav>
  );
}

function ArrangementButton(props: {
  arrangement: Arrangement;
  volumes: Volumes;
  ready: boolean;
  chosen: boolean;
  onChoose(): void;
}) {
  const { arrangement, volumes, chosen } = props;
  const { series, place } = volumes;
  const book = useRested(useBook());
  const { things } = book.scene;
  const first = things.find(({ art }) => art.kind === 'this') ?? things[0];
  // In plain light: what is chosen here is how things stand.
  const scene = useMemo(
    () => arranged({ ...defaultScene, things: [first] }, arrangement, series, place),
    [first, arrangement, series, place],
  );
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={props.onChoose}
      className="flex flex-col gap-1 border-l-3 border-transparent py-1.5 pr-3 pl-3 text-left hover:bg-line/50 aria-pressed:border-blue aria-pressed:bg-blue-wash aria-pressed:font-semibold"
    >
      <ScenePicture
        book={book}
        scene={scene}
        px={THUMB_PX}
        ready={props.ready}
        label=""
        className="h-[108px] w-full bg-[#e3e3e0] object-contain"
      />
      <span className="text-xs">{ARRANGEMENT_NAMES[arrangement]}</span>
    </button>
  );
}
