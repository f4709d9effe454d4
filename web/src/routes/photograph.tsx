import type { Marked, PinFace } from '@yosomi/core/pin';
import type { Asset } from '@yosomi/core/project';
import { ImagePlus } from 'lucide-react';
import { useState } from 'react';
import { usePictureInput } from '../features/front/use-picture-input';
import { ArtGroup, BendGroup, CornersGroup, FaceList } from '../features/pin/face-groups';
import { BrushGroup, GroundGroup, OwnLightGroup } from '../features/pin/light-groups';
import { PhotoStrip } from '../features/pin/photo-strip';
import { type Mode, PinStage } from '../features/pin/pin-stage';
import { SavePin } from '../features/pin/save-pin';
import { openPhoto } from '../features/pin/take-photo';
import type { Brush } from '../features/pin/use-brush';
import { type SetFace, usePin } from '../features/pin/use-pin';
import { sayFault } from '../messages/say';
import { useBook, useSession } from '../state/session';
import { Button } from '../ui/button';
import { Side, Sides } from '../ui/sides';
import { Beside } from '../state/beside';
import { Segmented } from '../ui/segmented';

const MODES: readonly { value: Mode; label: string }[] = [
  { value: 'corners', label: 'Corners' },
  { value: 'bend', label: 'Bend' },
  { value: 'front', label: 'In front' },
  { value: 'light', label: 'Light' },
  { value: 'away', label: 'Background' },
];

/** The cover on a photograph. */
export function PhotographPage() {
  const book = useBook();
  const edit = useSession((s) => s.edit);
  const { pin, set } = usePin();
  const [mode, setMode] = useState<Mode>('corners');
  const [asked, setAsked] = useState(0);
  const [opacity, setOpacity] = useState(1);
  const [paint, setPaint] = useState<Marked>('shade');
  const usual = pin ? Math.max(pin.photo.widthPx, pin.photo.heightPx) / 40 : 40;
  const [brush, setBrush] = useState<Brush>({ tool: 'paint', radius: usual, soft: 0.4, tolerance: 0.09, joined: true });
  const [finding, setFinding] = useState(false);
  const [dragging, setDragging] = useState(false);
  const openNow = async (asset: Asset): Promise<void> => {
    setFinding(true);
    setAsked(0);
    setMode('corners');
    await openPhoto(asset, book, edit)
      .catch(() => sayFault({ code: 'work-failed', data: {} }))
      .finally(() => setFinding(false));
  };
  const open = usePictureInput(({ asset }) => void openNow(asset));
  const chosen = pin ? Math.min(asked, Math.max(0, pin.faces.length - 1)) : 0;
  const face: PinFace | undefined = pin?.faces[chosen];
  const on: Marked = mode === 'front' ? 'front' : mode === 'away' ? 'away' : paint;
  const setFace: SetFace = (label, change, merge = null) =>
    set(
      label,
      (p) => {
        const own = p.faces.find((one) => one.id === face?.id);
        if (own) change(own);
      },
      merge && `${merge}-${face?.id}`,
    );
  const choose = (next: Mode): void => {
    setMode(next);
    if (next === 'light' && brush.tool === 'colour') setBrush({ ...brush, tool: 'paint' });
  };
  return (
    <main
      className="flex min-h-0 flex-1"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        const file = e.dataTransfer.files[0];
        if (file) open.take(file);
      }}
    >
      <h1 className="sr-only">The cover on a photograph</h1>
      {open.input}
      <Sides names={['Photographs', 'Inspector']}>
        <Side name="Photographs">
          <Beside busy={dragging}>
            <PhotoStrip ready={!finding} onOpen={openNow} />
          </Beside>
        </Side>
        <section aria-label="Photograph" className="flex min-w-0 flex-1 flex-col bg-[#dadbd8]">
          {pin ? (
            <PinStage
              book={book}
              pin={pin}
              set={set}
              mode={mode}
              on={on}
              brush={brush}
              chosen={chosen}
              opacity={opacity}
              finding={finding}
              onChoose={setAsked}
              onDrag={setDragging}
            />
          ) : (
            <div className="m-auto flex max-w-[420px] flex-col items-start gap-3 p-8">
              <p className="text-lg">Put the cover on a photograph</p>
              <p>
                Open a photograph of a blank book, board or screen, or drop one here. Its corners are found, and the
                cover is laid on it in the light that is there.
              </p>
              <Button kind="ink" onClick={open.open}>
                <ImagePlus size={15} aria-hidden /> Open a photograph
              </Button>
              <p className="text-ink-2">Or take one of those on the left, to try it on.</p>
            </div>
          )}
        </section>
        {pin && (
          <Side name="Inspector">
            <Beside busy={dragging}>
              <aside
                aria-label="Inspector"
                className="flex w-[304px] shrink-0 flex-col overflow-auto border-l border-line"
              >
                <div className="border-b border-line px-4 py-3.5">
                  <p className="pb-2 text-xs font-semibold text-ink-2">What the hand does</p>
                  <Segmented<Mode>
                    label="What the hand does"
                    value={mode}
                    onChange={choose}
                    options={MODES.slice(0, 3)}
                  />
                  <div className="h-1.5" />
                  <Segmented<Mode>
                    label="What else the hand does"
                    value={mode}
                    onChange={choose}
                    options={MODES.slice(3)}
                  />
                </div>
                {(mode === 'corners' || mode === 'bend') && (
                  <FaceList pin={pin} set={set} chosen={chosen} onChoose={setAsked} />
                )}
                {mode === 'corners' && face && (
                  <>
                    <ArtGroup pin={pin} face={face} setFace={setFace} />
                    <CornersGroup pin={pin} face={face} setFace={setFace} opacity={opacity} onOpacity={setOpacity} />
                  </>
                )}
                {mode === 'bend' && face && <BendGroup face={face} setFace={setFace} />}
                {mode === 'light' && face && <OwnLightGroup pin={pin} face={face} set={set} setFace={setFace} />}
                {(mode === 'front' || mode === 'light' || mode === 'away') && (
                  <BrushGroup
                    pin={pin}
                    on={on}
                    brush={brush}
                    set={set}
                    onBrush={setBrush}
                    onPaint={mode === 'light' ? setPaint : undefined}
                  />
                )}
                {mode === 'away' && <GroundGroup pin={pin} set={set} />}
                <SavePin pin={pin} />
              </aside>
            </Beside>
          </Side>
        )}
      </Sides>
    </main>
  );
}
