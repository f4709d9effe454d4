import { type BookKind, type Genre, ofKind } from '@yosomi/core/book';
import { looksLikeCover } from '@yosomi/core/recipe';
import { useEffect, useState } from 'react';
import { sayFault } from '../../messages/say';
import { sentenceOf } from '../../messages/sentences';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { Segmented } from '../../ui/segmented';
import { warmSketches } from '../../work/sketches';
import { tracers } from '../../work/workers';
import type { TakenPicture } from '@yosomi/core/recipe';
import { KindMenu } from '../sketch/kind-menu';
import { beginFromPicture, beginFromWords, briefWith } from './take-in';

export type Starting =
  | { readonly kind: 'words' }
  | {
      readonly kind: 'picture';
      readonly name: string;
      readonly taken: TakenPicture;
      readonly use: 'picture' | 'finished' | null;
      readonly preview: ImageBitmap;
    };

const TITLE_LIMIT = 300;

/** Asks for the words of a new title; for a picture also what the picture is. */
export function StartDialog(props: { starting: Starting; onClose(): void; onStarted(id: string, step: string): void }) {
  const { starting, onClose, onStarted } = props;
  const picture = starting.kind === 'picture' ? starting : null;
  const [use, setUse] = useState<'picture' | 'finished'>(
    () => picture?.use ?? (picture && looksLikeCover(picture.taken.asset) ? 'finished' : 'picture'),
  );
  const [title, setTitle] = useState(picture && use === 'finished' ? picture.name : '');
  const [subtitle, setSubtitle] = useState('');
  const [author, setAuthor] = useState('');
  const [kind, setKind] = useState<BookKind | Genre>('story');
  const [asked, setAsked] = useState(false);
  const [busy, setBusy] = useState(false);
  const error = !title.trim()
    ? sentenceOf({ code: 'title-missing', data: {} }).replace(' Type one in the Brief.', ' Type one here.')
    : title.length > TITLE_LIMIT
      ? sentenceOf({ code: 'title-long', data: { found: title.length, most: TITLE_LIMIT } })
      : null;
  const finished = picture !== null && use === 'finished';

  // Workers of the step that comes next start while the words are typed.
  useEffect(() => {
    if (finished) tracers();
    else warmSketches();
  }, [finished]);
  const start = async (): Promise<void> => {
    setAsked(true);
    if (error) return;
    setBusy(true);
    const brief = briefWith({ title, subtitle, author, ...ofKind(kind) });
    const begun = await (picture ? beginFromPicture(brief, picture.taken, finished) : beginFromWords(brief)).catch(
      () => ({ ok: false, fault: { code: 'work-failed', data: {} } }) as const,
    );
    setBusy(false);
    if (!begun.ok) return sayFault(begun.fault);
    onStarted(begun.value.id, finished ? 'mockups' : 'sketches');
  };

  return (
    <Dialog
      open
      onClose={onClose}
      title={picture ? 'A new title from this picture' : 'A new title from words'}
      description="Words are typed once and used on the cover, the spine, the promo and in the files."
      wide={picture !== null}
    >
      <form
        className="flex gap-6"
        onSubmit={(e) => {
          e.preventDefault();
          void start();
        }}
      >
        {picture && (
          <div className="flex w-56 shrink-0 flex-col gap-2">
            <Bitmap
              bitmap={picture.preview}
              label="The picture"
              className="max-h-80 w-full self-start object-contain shadow-cover"
            />
            <p className="font-mono text-xs text-ink-2">
              {picture.taken.asset.widthPx} x {picture.taken.asset.heightPx} px
            </p>
          </div>
        )}
        <div className="flex flex-1 flex-col gap-3.5">
          {picture && (
            <Segmented<'picture' | 'finished'>
              label="What this picture is"
              value={use}
              onChange={setUse}
              options={[
                { value: 'picture', label: 'A picture for a cover' },
                { value: 'finished', label: 'A finished cover' },
              ]}
            />
          )}
          <TextField label="Title" value={title} onChange={setTitle} error={asked ? error : null} autoFocus />
          {!finished && <TextField label="Subtitle" value={subtitle} onChange={setSubtitle} maxLength={300} />}
          <TextField label="Author" value={author} onChange={setAuthor} maxLength={200} />
          {!finished && <KindMenu value={kind} onChange={setKind} />}
          <div className="mt-2 flex justify-end gap-2">
            <Button onClick={onClose}>Cancel</Button>
            <Button kind="ink" type="submit" disabled={busy}>
              {busy ? 'Composing' : finished ? 'Put it in 3D' : 'Compose covers'}
            </Button>
          </div>
        </div>
      </form>
    </Dialog>
  );
}
