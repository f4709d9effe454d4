import { getSchema } from '@tiptap/core';
import { safeLink } from '@yosomi/core/booklet';
import { TaskItem, TaskList } from '@tiptap/extension-list';
import { TableKit } from '@tiptap/extension-table';
import { Placeholder } from '@tiptap/extensions';
import StarterKit from '@tiptap/starter-kit';
import { ButtonNode, PictureNode, TipNode } from './nodes';

/** What a text can hold in the editor. */
export const EXTENSIONS = [
  StarterKit.configure({
    heading: { levels: [1, 2, 3] },
    // One history for the whole title: that of the session.
    undoRedo: false,
    code: false,
    codeBlock: false,
    strike: false,
    underline: false,
    link: { openOnClick: false, autolink: true, isAllowedUri: (url) => safeLink(url) !== null },
  }),
  TaskList,
  TaskItem.configure({ nested: true, a11y: { checkboxLabel: () => 'Done' } }),
  TableKit.configure({ table: { resizable: false } }),
  TipNode,
  ButtonNode,
  PictureNode,
  Placeholder.configure({ placeholder: 'Type or paste the text here.' }),
];

/** The law of the editor's documents. */
export const textSchema = () => getSchema(EXTENSIONS);
