import { LONGEST_FOLDER, plainName, withTags } from '@yosomi/core/library';
import { useState } from 'react';
import { Button } from '../../ui/button';
import { TextField } from '../../ui/field';
import { FolderChips } from './folder-chips';
import type { OwnPicturesHere } from './use-library';

/** What can be done with several pictures at once. */
export function ManyPanel(props: { ids: readonly string[]; library: OwnPicturesHere; onRemoved(): void }) {
  const { ids, library } = props;
  const [folder, setFolder] = useState('');
  const [tags, setTags] = useState('');
  const pictures = `${ids.length} pictures`;
  const put = (name: string): void => {
    const into = plainName(name, LONGEST_FOLDER);
    void library.change(ids, into ? `${pictures} lie in “${into}”.` : `${pictures} lie in no folder.`, (one) => ({
      ...one,
      folder: into,
    }));
    setFolder('');
  };
  return (
    <>
      <h3 className="text-[15px] font-semibold">{pictures}</h3>
      <form
        className="flex flex-col gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          put(folder);
        }}
      >
        <TextField label="Folder" value={folder} maxLength={LONGEST_FOLDER} onChange={setFolder} />
        <FolderChips library={library} now={null} onTake={put} />
        <Button type="submit" disabled={plainName(folder, LONGEST_FOLDER) === ''}>
          Put them there
        </Button>
      </form>
      <form
        className="flex flex-col gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void library.change(ids, `${pictures} have the tags.`, (one) => ({ ...one, tags: withTags(one.tags, tags) }));
          setTags('');
        }}
      >
        <TextField label="More tags" hint="Apart by commas." value={tags} maxLength={200} onChange={setTags} />
        <Button type="submit" disabled={tags.trim() === ''}>
          Add the tags
        </Button>
      </form>
      <Button
        onClick={() => {
          void library.remove(ids);
          props.onRemoved();
        }}
      >
        Remove them
      </Button>
    </>
  );
}
