import { type Doc, LinkTarget, type Part, duplicateParts, removePart } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { type ReactNode, useContext, useState } from 'react';
import { freshId } from '../../platform/ids';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { TextField } from '../../ui/field';
import { NumberField } from '../../ui/number-field';
import { Group } from '../../ui/group';
import { DepthGroup } from './depth-group';
import { BlendField } from './fields';
import { nameOf } from './part-names';
import { ShownBook } from './shown-book';
import { type On, useSet } from './use-set';

/** How a part mixes with what is behind it, and where it stands in the pile. */
export function MixGroup(props: {
  part: Part;
  doc: Doc;
  frames: ReadonlyMap<string, Rect>;
  on: On;
  children?: ReactNode;
}) {
  const { part, on, children } = props;
  const edit = useSession((s) => s.edit);
  const select = useSession((s) => s.select);
  const set = useSet(part, on) as (what: string, fields: object, merge?: string | false) => void;
  // Promos are never printed on a thing.
  const onCover = useContext(ShownBook) !== null;
  const name = nameOf(part).toLowerCase();
  return (
    <>
      <Group title="How it mixes">
        <BlendField label="Blend mode" value={part.blend} onChange={(blend) => set('Blend', { blend })} />
        <NumberField
          label="Opacity"
          unit="%"
          value={Math.round(part.opacity * 100)}
          least={0}
          most={100}
          onChange={(v, d) => set('Opacity', { opacity: v / 100 }, d && 'opacity')}
        />
        <Check
          label="Only where the part below is"
          checked={part.maskBelow}
          onChange={(maskBelow) => set('Mask', { maskBelow })}
        />
        {onCover && (
          <Check
            label="Foil in 3D"
            hint="Shines like stamped metal on mockups. The flat cover stays as it is."
            checked={part.foil}
            onChange={(foil) => set('Foil', { foil })}
          />
        )}
        <LinkField part={part} set={set} />
        {children}
      </Group>
      <DepthGroup ids={[part.id]} doc={props.doc} frames={props.frames} on={on} />
      <Group title="What to do with it">
        <div className="flex flex-wrap gap-1.5">
          <Button onClick={() => set(part.hidden ? 'Show' : 'Hide', { hidden: !part.hidden })}>
            {part.hidden ? 'Show' : 'Hide'}
          </Button>
          <Button onClick={() => set(part.locked ? 'Unlock' : 'Lock', { locked: !part.locked })}>
            {part.locked ? 'Unlock' : 'Lock'}
          </Button>
          <Button
            onClick={() => {
              const id = freshId();
              if (edit(`Duplicate ${name}`, on(duplicateParts([part.id], [id])))) select(id);
            }}
          >
            Duplicate
          </Button>
          <Button
            className="text-fail"
            onClick={() => {
              if (edit(`Remove ${name}`, on(removePart(part.id)))) select(null);
            }}
          >
            Remove
          </Button>
        </div>
      </Group>
    </>
  );
}

/** The last valid address stays while another is typed. */
function LinkField({ part, set }: { part: Part; set(what: string, fields: object, merge?: string): void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? part.link ?? '';
  const bad = text !== '' && !LinkTarget.safeParse(text).success;
  return (
    <TextField
      label="Link"
      value={text}
      placeholder="https://"
      error={bad ? 'A web address begins with https:// and has no spaces.' : null}
      hint="It works in the PDF of the cover."
      onChange={(next) => {
        setTyped(next);
        if (next === '') set('Link', { link: null }, 'link');
        else if (LinkTarget.safeParse(next).success) set('Link', { link: next }, 'link');
      }}
    />
  );
}
