import { type Doc, duplicateParts, groupParts, removePart, spaceParts } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { freshId } from '../../platform/ids';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Group } from '../../ui/group';
import { AlignRow } from './place-group';
import { nameOf } from './part-names';
import type { On } from './use-set';

/** What can be done with several parts at once. */
export function ManyInspector(props: { ids: readonly string[]; doc: Doc; on: On; frames: ReadonlyMap<string, Rect> }) {
  const { ids, doc, on, frames } = props;
  const edit = useSession((s) => s.edit);
  const selectMany = useSession((s) => s.selectMany);
  const parts = ids.flatMap((id) => (doc.parts[id] ? [doc.parts[id]] : []));
  const grouped = parts.some((part) => part.group !== null);
  return (
    <>
      <h2 className="px-4 pt-4 text-base font-semibold">{parts.length} parts</h2>
      <Group title="Which">
        <p>{parts.map(nameOf).join(', ')}</p>
      </Group>
      <Group title="Where they sit">
        <AlignRow ids={ids} frames={frames} on={on} />
        <div className="flex gap-1.5">
          <Button
            disabled={parts.length < 3}
            onClick={() => void edit('Equal gaps across', on(spaceParts(ids, frames, false)))}
          >
            Equal gaps across
          </Button>
          <Button
            disabled={parts.length < 3}
            onClick={() => void edit('Equal gaps down', on(spaceParts(ids, frames, true)))}
          >
            Down
          </Button>
        </div>
      </Group>
      <Group title="What to do with them">
        <div className="flex flex-wrap gap-1.5">
          <Button onClick={() => void edit('Group parts', on(groupParts(ids, freshId())))}>Group</Button>
          <Button disabled={!grouped} onClick={() => void edit('Ungroup parts', on(groupParts(ids, null)))}>
            Ungroup
          </Button>
          <Button
            onClick={() => {
              const from = parts.filter((p) => p.kind !== 'ground').map((p) => p.id);
              const fresh = from.map(() => freshId());
              if (edit('Duplicate parts', on(duplicateParts(from, fresh)))) selectMany(fresh);
            }}
          >
            Duplicate
          </Button>
          <Button
            className="text-fail"
            onClick={() => {
              const done = edit('Remove parts', (book) => {
                for (const part of parts) {
                  if (part.kind === 'ground' || part.locked) continue;
                  const refused = on(removePart(part.id))(book);
                  if (refused) return refused;
                }
              });
              if (done) selectMany([]);
            }}
          >
            Remove
          </Button>
        </div>
      </Group>
    </>
  );
}
