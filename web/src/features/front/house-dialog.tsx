import type { House, Mark } from '@yosomi/core/project';
import { X } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { freshId } from '../../platform/ids';
import { useBook, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { ColourField } from '../../ui/colour-field';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { LeftAsItIs } from '../frame/left-as-it-is';
import { MarkMaker, saveMark } from './mark-maker';
import { MarkPicture } from './mark-picture';
import { useFontInput } from './use-font-input';
import { useHouse, withColour } from './use-house';
import { useMarkInput } from './use-mark-input';

/** What a mark that has no colour of its own is saved in. */
const MARK_INK = '#101112';

/** What the titles of a house share: each thing can be added and taken out again; titles that use it keep it. */
export function HouseDialog({ open, onClose }: { open: boolean; onClose(): void }) {
  const { house, unread, change } = useHouse();
  const { brief } = useBook();
  const edit = useSession((s) => s.edit);
  const [next, setNext] = useState('#2b4a6b');
  const [making, setMaking] = useState(false);
  const font = useFontInput(() => {}, brief.title);
  const mark = useMarkInput((form, name) =>
    change((now) => ({ ...now, marks: [...now.marks, { id: freshId(), name, form }] })),
  );
  const without =
    <K extends 'faces' | 'marks' | 'styles'>(list: K, id: string) =>
    (now: House): House => ({
      ...now,
      [list]: (now[list] as readonly { id: string }[]).filter((one) => one.id !== id),
    });
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="House style"
      description="Colours, faces, marks and styles that are at hand in every title. Taking one out changes no cover."
    >
      {font.input}
      {mark.element}
      {making && (
        <MarkMaker colour={house.colours[0] ?? MARK_INK} swatches={house.colours} onClose={() => setMaking(false)} />
      )}
      <LeftAsItIs why={unread} />
      <p>
        <Link to="/house" className="underline underline-offset-2 hover:no-underline">
          Change something in many titles at once
        </Link>
      </p>
      <TextField
        label="Name of the house"
        value={house.name}
        placeholder={brief.publisher || 'Publisher'}
        onChange={(name) => change((now) => ({ ...now, name: name.slice(0, 120) }))}
      />
      <Shelf title="Colours" empty="No colours yet.">
        {house.colours.map((hex) => (
          <Kept
            key={hex}
            label={hex}
            onRemove={() => change((now) => ({ ...now, colours: now.colours.filter((c) => c !== hex) }))}
          >
            <span className="size-7 rounded-sm border border-edge" style={{ background: hex }} />
          </Kept>
        ))}
      </Shelf>
      <div className="flex items-center gap-2">
        <ColourField label="A colour to keep" value={next} swatches={[]} onChange={setNext} />
        <Button onClick={() => change(withColour(next))}>Keep this colour</Button>
      </div>
      <Shelf title="Faces" empty="No fonts of your own yet.">
        {house.faces.map((face) => (
          <Kept key={face.id} label={face.name} onRemove={() => change(without('faces', face.id))}>
            {face.name}
          </Kept>
        ))}
      </Shelf>
      <Button className="self-start" onClick={font.open}>
        Add a font
      </Button>
      <Shelf title="Marks" empty="No marks yet.">
        {house.marks.map((one: Mark) => (
          <Kept key={one.id} label={one.name} onRemove={() => change(without('marks', one.id))}>
            <MarkPicture form={one.form} className="h-9" />
            {(['svg', 'png'] as const).map((format) => (
              <button
                key={format}
                type="button"
                aria-label={`Save ${one.name} as ${format.toUpperCase()}`}
                onClick={() => void saveMark(one.form, one.name, MARK_INK, format)}
                className="rounded-sm px-1 py-0.5 text-xs text-ink-2 underline underline-offset-2 hover:bg-line/60 hover:text-ink"
              >
                {format.toUpperCase()}
              </button>
            ))}
          </Kept>
        ))}
      </Shelf>
      <div className="flex flex-wrap gap-2">
        <Button onClick={mark.open}>Add a mark</Button>
        <Button onClick={() => setMaking(true)}>Make one from a name</Button>
        {house.name !== '' && house.name !== brief.publisher && (
          <Button
            kind="link"
            onClick={() =>
              void edit('Publisher', (book) => {
                book.brief.publisher = house.name;
              })
            }
          >
            Name it as publisher of this title
          </Button>
        )}
      </div>
      <Shelf title="Styles of words" empty="No styles yet. Name a look as a style on the Front, then keep it here.">
        {house.styles.map((one) => (
          <Kept key={one.id} label={one.name} onRemove={() => change(without('styles', one.id))}>
            {one.name}
          </Kept>
        ))}
      </Shelf>
    </Dialog>
  );
}

function Shelf({ title, empty, children }: { title: string; empty: string; children: readonly ReactNode[] }) {
  return (
    <section aria-label={title} className="flex flex-col gap-1.5">
      <h3 className="font-semibold">{title}</h3>
      {children.length === 0 ? (
        <p className="text-ink-2">{empty}</p>
      ) : (
        <ul className="flex flex-wrap gap-2">{children}</ul>
      )}
    </section>
  );
}

function Kept({ label, onRemove, children }: { label: string; onRemove(): void; children: ReactNode }) {
  return (
    <li className="flex items-center gap-1.5 rounded-sm border border-line bg-card p-1 pl-2">
      {children}
      <button
        type="button"
        aria-label={`Take out ${label}`}
        title={`Take out ${label}`}
        onClick={onRemove}
        className="rounded-sm p-1 text-ink-2 hover:bg-line/60 hover:text-ink"
      >
        <X size={14} />
      </button>
    </li>
  );
}
