import { type Motion, type MotionKind, LEAST_SECONDS, MOST_SECONDS, MOTIONS } from '@yosomi/core/motion';
import { type Campaign, formatsOf, setMotion } from '@yosomi/core/promo';
import type { FilmFormat, Others } from '@yosomi/core/recipe';
import { useState } from 'react';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Chip, Chips } from '../../ui/chip';
import { TextField } from '../../ui/field';
import { Group } from '../../ui/group';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { Working } from '../../ui/working';
import { FilmDialog } from './film-dialog';
import { MOTION_NAMES } from './names';
import { readLimit } from './save-campaign';
import { saveFilm } from './save-film';
import type { SetCampaign } from './use-campaign';
import { useWork } from './use-work';

const FILES: readonly { readonly value: FilmFormat; readonly label: string }[] = [
  { value: 'mp4', label: 'MP4' },
  { value: 'webm', label: 'WebM' },
  { value: 'gif', label: 'GIF' },
  { value: 'webp', label: 'WebP' },
];

/** How a format moves, and its film. */
export function MotionGroup(props: {
  campaign: Campaign;
  set: SetCampaign;
  others: Others;
  format: string;
  motions: readonly MotionKind[] | null;
}) {
  const { campaign, set, others, motions } = props;
  const { motion } = campaign;
  const book = useBook();
  const work = useWork();
  const [file, setFile] = useState<FilmFormat>('mp4');
  const [limit, setLimit] = useState('');
  const [withStill, setWithStill] = useState(false);
  const [playing, setPlaying] = useState(false);
  const format = formatsOf(campaign).find((one) => one.id === props.format);
  if (!format) return null;
  const change = (fields: Partial<Motion>, dragging = false): void =>
    void set('Motion', setMotion(fields), dragging ? 'motion' : undefined);
  const mostBytes = readLimit(limit);
  const at = { campaign, format };
  // A wrapping is there only in a campaign that reveals the cover.
  const offered = MOTIONS.filter((kind) => kind !== 'reveal' || campaign.message.kind === 'reveal');
  const can = motions === null || motions.includes(motion.kind);
  return (
    <Group title="Motion" folded>
      <Chips label="What moves">
        {offered.map((kind) => (
          <Chip
            key={kind}
            taken={motion.kind === kind}
            disabled={motions !== null && !motions.includes(kind) && motion.kind !== kind}
            onTake={() => change({ kind })}
          >
            {MOTION_NAMES[kind]}
          </Chip>
        ))}
      </Chips>
      {!can && <p className="text-xs text-ink-2">Nothing in {format.name} moves that way. Choose another motion.</p>}
      <Check
        label="Words arrive one by one"
        checked={motion.arrive || motion.kind === 'words'}
        disabled={motion.kind === 'words'}
        onChange={(arrive) => change({ arrive })}
      />
      <Slider
        label="Length"
        value={motion.seconds}
        least={LEAST_SECONDS}
        most={MOST_SECONDS}
        step={0.5}
        format={(s) => `${s} s`}
        onChange={(seconds) => change({ seconds }, true)}
      />
      <Segmented<FilmFormat> label="Film format" value={file} options={FILES} onChange={setFile} />
      <TextField
        label="Film at most"
        placeholder="No limit, or 5 MB"
        value={limit}
        maxLength={20}
        hint={limit.trim() && mostBytes === null ? 'Type a number, such as 5 MB.' : undefined}
        onChange={setLimit}
      />
      <Check label="With its still, in a zip" checked={withStill} onChange={setWithStill} />
      {work.done === null ? (
        <div className="flex gap-2">
          <Button disabled={!can} onClick={() => setPlaying(true)}>
            Play it
          </Button>
          <Button
            disabled={!can}
            onClick={() =>
              work.run((signal, onProgress) =>
                saveFilm({ book, at, motion, others, format: file, mostBytes, withStill, signal, onProgress }),
              )
            }
          >
            Save the film
          </Button>
        </div>
      ) : (
        <Working label="Making the film" done={work.done} onStop={work.stop} />
      )}
      <p className="text-xs text-ink-2">
        Of {format.name}, {format.widthPx} x {format.heightPx}, 24 frames a second.
      </p>
      {playing && <FilmDialog book={book} at={at} others={others} motion={motion} onClose={() => setPlaying(false)} />}
    </Group>
  );
}
