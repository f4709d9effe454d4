import { Chip, Chips } from '../../ui/chip';
import type { OwnPicturesHere } from './use-library';

/** Folders that there are, to be taken with one click; `now` is the one it lies in, null where that says nothing. */
export function FolderChips(props: { library: OwnPicturesHere; now: string | null; onTake(folder: string): void }) {
  const folders = (props.library.facts?.folders ?? []).map(({ folder }) => folder).filter(Boolean);
  if (folders.length === 0) return null;
  return (
    <Chips label="Folders that there are">
      {folders.slice(0, 12).map((folder) => (
        <Chip key={folder} taken={folder === props.now} onTake={() => props.onTake(folder === props.now ? '' : folder)}>
          {folder}
        </Chip>
      ))}
    </Chips>
  );
}
