import { addPart, type Doc, newPicture, newWords, commonDefaults, type PartSeed } from '@yosomi/core/cover';
import type { Edit } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import { DropdownMenu } from 'radix-ui';
import { Plus } from 'lucide-react';
import { freshId } from '../../platform/ids';
import { useSession } from '../../state/session';
import { usePictureInput } from './use-picture-input';

/** Adds a part and selects it. */
export function AddPart({ doc, on, colour }: { doc: Doc; on(edit: Edit<Doc>): Edit<Book>; colour: string }) {
  const edit = useSession((s) => s.edit);
  const select = useSession((s) => s.select);
  const add = (label: string, seed: PartSeed, before: Edit<Book> = () => {}): void => {
    const id = freshId();
    const done = edit(label, (book) => before(book) ?? on(addPart(id, seed))(book));
    if (done) select(id);
  };
  const picture = usePictureInput(({ asset }) =>
    add(
      'Add a picture',
      newPicture(
        { kind: 'asset', asset: asset.id },
        { area: { x: 0.2, y: 0.3, width: 0.6, height: 0.4 }, fit: 'whole' },
      ),
      (book) => {
        book.assets[asset.id] = asset;
      },
    ),
  );
  const title = Object.values(doc.parts).find((p) => p.kind === 'words' && p.role === 'title');
  const cut = title?.kind === 'words' ? title.cut : 'jost/600';
  const item = 'cursor-pointer rounded-sm px-3 py-1.5 outline-none data-[highlighted]:bg-blue-wash';
  return (
    <>
      {picture.input}
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="flex w-full items-center justify-center gap-1.5 rounded-sm border border-edge bg-card px-3 py-1.5 font-semibold hover:border-ink">
          <Plus size={14} /> Add a part
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content sideOffset={4} className="z-30 w-44 rounded-sm border border-edge bg-card p-1">
            <DropdownMenu.Item
              className={item}
              onSelect={() =>
                add(
                  'Add words',
                  newWords({
                    role: 'free',
                    says: { kind: 'own', text: 'Your words' },
                    area: { x: 0.2, y: 0.5, width: 0.6, height: 0.05 },
                    cut,
                    colour,
                    maxSize: 0.06,
                  }),
                )
              }
            >
              Words
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={picture.open}>
              Picture
            </DropdownMenu.Item>
            <DropdownMenu.Item
              className={item}
              onSelect={() =>
                add('Add a band', {
                  ...commonDefaults,
                  kind: 'shape',
                  role: 'band',
                  area: { x: 0, y: 0.62, width: 1, height: 0.08 },
                  radius: 0,
                  colour,
                })
              }
            >
              Band
            </DropdownMenu.Item>
            <DropdownMenu.Item
              className={item}
              onSelect={() =>
                add('Add a rule', {
                  ...commonDefaults,
                  kind: 'shape',
                  role: 'rule',
                  area: { x: 0.4, y: 0.5, width: 0.2, height: 0.003 },
                  radius: 0,
                  colour,
                })
              }
            >
              Rule
            </DropdownMenu.Item>
            <DropdownMenu.Item
              className={item}
              onSelect={() =>
                add('Add a scrim', {
                  ...commonDefaults,
                  kind: 'scrim',
                  from: 'top',
                  hold: 0.2,
                  reach: 0.5,
                  colour: '#101112',
                  opacity: 0.5,
                })
              }
            >
              Scrim
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  );
}
