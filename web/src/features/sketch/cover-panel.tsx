import { readsGrade, readsText } from '@yosomi/core/glance';
import { type Kept, type Sketch, findStructure, mannerOf, moodsOfSketch } from '@yosomi/core/sketch';
import { findCut } from '@yosomi/core/text';
import type { Doc } from '@yosomi/core/cover';
import { docCredits } from '@yosomi/core/recipe';
import { useState } from 'react';
import { useFrom } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Group } from '../../ui/group';
import { Verdict } from '../../ui/verdict';
import { GRADE_NAMES, MOOD_NAMES } from './names';

export type Picked = {
  readonly id: string;
  readonly sketch: Sketch;
  readonly doc: Doc;
  readonly bitmap: ImageBitmap | null;
  /** undefined where it was not measured. */
  readonly titleFromPx: number | null | undefined;
};

const faceName = (cut: string): string => findCut(cut)?.family.name ?? 'Your own face';

/** What the chosen cover is made of, and what can be done with it. */
export function CoverPanel(props: {
  picked: Picked | null;
  kept: boolean;
  compared: boolean;
  compareFull: boolean;
  inSeries: boolean;
  onTake(): void;
  onKeep(): void;
  onCompare(): void;
  onMore(keep: Omit<Kept, 'of'>): void;
  onSeries(): void;
}) {
  const { picked } = props;
  const assets = useFrom((book) => book.assets);
  const [keep, setKeep] = useState({ structure: true, tones: false, faces: false });
  if (!picked)
    return (
      <aside aria-label="The chosen cover" className="w-[272px] shrink-0 border-l border-line p-4">
        <p className="text-ink-2">Choose a cover to see what it is made of, and to take it to the Front.</p>
      </aside>
    );
  const { sketch, titleFromPx } = picked;
  const { tones, faces } = sketch;
  const credits = [...new Set(docCredits(picked.doc, assets))].filter(Boolean);
  const all = keep.structure && keep.tones && keep.faces;
  return (
    <aside
      aria-label="The chosen cover"
      className="flex w-[272px] shrink-0 flex-col overflow-y-auto border-l border-line"
    >
      <h2 className="sr-only">The chosen cover</h2>
      <div className="flex flex-col gap-3 border-b border-line p-4">
        <Bitmap
          bitmap={picked.bitmap}
          label="The chosen cover"
          className="mx-auto block max-h-[300px] max-w-full shadow-cover"
        />
        <Button kind="ink" onClick={props.onTake}>
          Take it to the Front
        </Button>
        <div className="flex gap-2">
          <Button className="flex-1" aria-pressed={props.kept} onClick={props.onKeep}>
            {props.kept ? 'Kept' : 'Keep'}
          </Button>
          <Button
            className="flex-1"
            aria-pressed={props.compared}
            disabled={props.compareFull && !props.compared}
            onClick={props.onCompare}
          >
            {props.compared ? 'Not compared' : 'Compare'}
          </Button>
        </div>
      </div>
      <Group title="How it is made">
        <p>{findStructure(sketch.structure)?.name ?? sketch.structure}.</p>
        <p>
          {faceName(faces.title)} with {faceName(faces.other)}
          <span className="block text-xs text-ink-2">{mannerOf(faces).why}.</span>
        </p>
        {sketch.pictures.length > 0 && <p>The picture: {GRADE_NAMES[sketch.grade]}.</p>}
        {credits.length > 0 && (
          <p>
            Credit due: {credits.join('; ')}.
            <span className="block text-xs text-ink-2">The ebook and the zip say it by themselves.</span>
          </p>
        )}
        <div>
          <ul className="flex h-7" aria-label={`Colours: ${tones.name}`}>
            {[tones.ground, tones.block, tones.accent, tones.second, tones.words].map((hex, i) => (
              <li key={`${hex}-${i}`} title={hex} style={{ background: hex }} className="flex-1" />
            ))}
          </ul>
          <span className="text-xs text-ink-2">{tones.name}</span>
        </div>
        {moodsOfSketch(sketch).length > 0 && (
          <p className="text-xs text-ink-2">
            {moodsOfSketch(sketch)
              .map((m) => MOOD_NAMES[m])
              .join(', ')}
          </p>
        )}
        {titleFromPx !== undefined && (
          <Verdict grade={readsGrade(true, titleFromPx)}>Title {readsText(titleFromPx)}</Verdict>
        )}
      </Group>
      <Group title="More like this">
        <p className="text-xs text-ink-2">What is ticked stays as it is; the rest varies.</p>
        <Check label="Structure" checked={keep.structure} onChange={(on) => setKeep({ ...keep, structure: on })} />
        <Check label="Colours" checked={keep.tones} onChange={(on) => setKeep({ ...keep, tones: on })} />
        <Check label="Faces" checked={keep.faces} onChange={(on) => setKeep({ ...keep, faces: on })} />
        <Button disabled={all || !(keep.structure || keep.tones || keep.faces)} onClick={() => props.onMore(keep)}>
          Show more like this
        </Button>
        {all && <p className="text-xs text-ink-2">Untick one: something has to vary.</p>}
      </Group>
      {props.inSeries && (
        <Group title="The series">
          <p className="text-xs text-ink-2">One design for all volumes, its colours turned from one to the next.</p>
          <Button onClick={props.onSeries}>Try it on the series</Button>
        </Group>
      )}
    </aside>
  );
}
