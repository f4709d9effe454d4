import type { Edit } from '@yosomi/core/base';
import { type Doc, type Part, movePart, removePart, setPart } from '@yosomi/core/cover';
import { BLENDS, type Blend } from '@yosomi/core/ink';
import type { Book } from '@yosomi/core/project';
import type { ReactNode } from 'react';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { NumberField } from '../../ui/field';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { nameOf } from './part-names';

const label = (blend: Blend): string => blend.charAt(0).toUpperCase() + blend.slice(1).replace('-', ' ');

/** How a part mixes with what is behind it, and where it stands in the pile. */
export function MixGroup({
  part,
  on,
  children,
}: {
  part: Part;
  on(edit: Edit<Doc>): Edit<Book>;
  children?: ReactNode;
}) {
  const edit = useSession((s) => s.edit);
  const select = useSession((s) => s.select);
  const name = nameOf(part).toLowerCase();
  return (
    <Group title="How it mixes">
      {part.kind !== 'ground' && (
        <>
          <div className="flex items-center justify-between gap-2">
            <span className="text-ink-2">Blend</span>
            <span className="w-36">
              <Menu
                label="Blend mode"
                value={part.blend}
                onChange={(blend) => void edit(`Blend of ${name}`, on(setPart(part.id, { blend })))}
                groups={[{ title: 'Blend modes', options: BLENDS.map((b) => ({ value: b, label: label(b) })) }]}
              />
            </span>
          </div>
          <NumberField
            label="Opacity"
            unit="%"
            value={Math.round(part.opacity * 100)}
            least={0}
            most={100}
            onChange={(v, d) =>
              void edit(
                `Opacity of ${name}`,
                on(setPart(part.id, { opacity: v / 100 })),
                d ? `opacity-${part.id}` : null,
              )
            }
          />
        </>
      )}
      {children}
      {part.kind !== 'ground' && (
        <div className="flex flex-wrap gap-1.5 pt-1">
          <Button
            onClick={() =>
              void edit(part.hidden ? `Show ${name}` : `Hide ${name}`, on(setPart(part.id, { hidden: !part.hidden })))
            }
          >
            {part.hidden ? 'Show' : 'Hide'}
          </Button>
          <Button
            onClick={() =>
              void edit(part.locked ? `Unlock ${name}` : `Lock ${name}`, on(setPart(part.id, { locked: !part.locked })))
            }
          >
            {part.locked ? 'Unlock' : 'Lock'}
          </Button>
          <Button onClick={() => void edit(`Bring ${name} forward`, on(movePart(part.id, 1)))}>Forward</Button>
          <Button onClick={() => void edit(`Send ${name} back`, on(movePart(part.id, -1)))}>Back</Button>
          <Button
            className="text-fail"
            onClick={() => {
              if (edit(`Remove ${name}`, on(removePart(part.id)))) select(null);
            }}
          >
            Remove
          </Button>
        </div>
      )}
    </Group>
  );
}
