import { type CutHint, MOST_HINTS, type PicturePart, setPart } from '@yosomi/core/cover';
import { type Asset, takeAsset } from '@yosomi/core/project';
import { useEffect, useRef, useState } from 'react';
import { sayFault } from '../../messages/say';
import { saveAsset } from '../../persist/assets';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { type SubjectFinder, subjectFinder } from '../../work/subject';
import { useSubjectPicture } from '../../work/queries';
import { studio } from '../../work/workers';
import { CutOutSheet } from './cut-out-sheet';
import type { On } from './use-set';

/** What was found with some strokes; no mask where nothing stands out. */
type Found = { readonly hints: readonly CutHint[]; readonly mask: Uint8Array | null };

/**
 * Finds the thing in a picture, shows it, and takes strokes over what is to stay or go; each is learned from. Nothing changes on
 * the cover before it is used, and then as one step.
 */
export function CutOutDialog(props: { part: PicturePart; asset: Asset; on: On; onClose(): void }) {
  const { part, asset, on, onClose } = props;
  const edit = useSession((s) => s.edit);
  const before = part.cutOut?.of === asset.id ? part.cutOut : null;
  const { data: picture } = useSubjectPicture(asset.id);
  const [hints, setHints] = useState<readonly CutHint[]>(before?.hints ?? []);
  const [found, setFound] = useState<Found | null>(null);
  const looking = found?.hints !== hints;
  const mask = found?.mask ?? null;
  const [keep, setKeep] = useState(true);
  const [width, setWidth] = useState(0.04);
  const [busy, setBusy] = useState(false);
  const finder = useRef<SubjectFinder | null>(null);

  useEffect(
    () => () => {
      finder.current?.end();
      finder.current = null;
    },
    [],
  );

  useEffect(() => {
    if (!picture) return;
    let late = false;
    finder.current ??= subjectFinder(picture);
    const own = finder.current;
    void own
      .find(hints)
      .then((mask) => {
        if (!late) setFound({ hints, mask });
      })
      .catch(() => {
        if (late) return;
        // A worker that broke is replaced at the next stroke.
        finder.current = null;
        setFound({ hints, mask: null });
        sayFault({ code: 'work-failed', data: {} });
      });
    return () => {
      late = true;
    };
  }, [picture, hints]);

  const use = async (): Promise<void> => {
    if (!mask || looking || !picture) return;
    setBusy(true);
    const name = `${asset.name}, cut out`.slice(0, 120);
    const made = await studio
      .matteOf(asset.id, mask, picture.width, picture.height, name)
      .catch(() => ({ ok: false, fault: { code: 'work-failed', data: {} } }) as const);
    const kept = made.ok ? await saveAsset(made.value.asset.id, made.value.bytes) : made;
    setBusy(false);
    if (!made.ok) return sayFault(made.fault);
    if (!kept.ok) return sayFault(kept.fault);
    const matte = { ...made.value.asset, rights: asset.rights };
    const done = edit('Cut out the subject', (book) => {
      takeAsset(book, matte);
      const cutOut = { of: asset.id, matte: matte.id, hints: [...hints], feather: before?.feather ?? 0.002 };
      return on(setPart(part.id, { cutOut }))(book);
    });
    if (done) onClose();
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Cut out the subject"
      description="What is kept shows in full. Paint over what is wrong: a short stroke is enough, and it learns from it."
      wide
    >
      {picture ? (
        <CutOutSheet
          picture={picture}
          mask={mask}
          looking={looking}
          hints={hints}
          keep={keep}
          width={width}
          onKeep={setKeep}
          onWidth={setWidth}
          onStroke={(stroke) => setHints((now) => (now.length < MOST_HINTS ? [...now, stroke] : now))}
        />
      ) : (
        <div className="flex h-72 items-center justify-center bg-table">
          {picture === null && 'The picture is missing. Replace it first.'}
        </div>
      )}
      <p role="status" className={!looking && !mask ? 'text-fail' : 'text-ink-2'}>
        {looking && picture !== null
          ? 'Looking for the subject.'
          : !mask
            ? 'Nothing stands out here. Paint over what is to stay.'
            : hints.length >= MOST_HINTS
              ? 'That is as many strokes as it takes. Remove one to add another.'
              : 'Found. Paint what is missing or too much.'}
      </p>
      <div className="grid items-end gap-4 sm:grid-cols-2">
        <Segmented
          label="Strokes say"
          named
          value={keep ? 'keep' : 'drop'}
          onChange={(value) => setKeep(value === 'keep')}
          options={[
            { value: 'keep', label: 'This stays' },
            { value: 'drop', label: 'This goes' },
          ]}
        />
        <Slider
          label="Width of the stroke"
          value={width}
          least={0.005}
          most={0.2}
          step={0.005}
          format={(v) => `${Math.round(v * asset.widthPx)} px`}
          onChange={setWidth}
        />
      </div>
      <div className="flex flex-wrap justify-end gap-2">
        <Button disabled={hints.length === 0} onClick={() => setHints(hints.slice(0, -1))}>
          Remove the last stroke
        </Button>
        <Button disabled={hints.length === 0} onClick={() => setHints([])}>
          Start over
        </Button>
        <Button kind="ink" disabled={!mask || looking || busy} onClick={() => void use()}>
          {busy ? 'Cutting out' : 'Use it'}
        </Button>
      </div>
    </Dialog>
  );
}
