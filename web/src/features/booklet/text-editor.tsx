import { keyOf } from '@yosomi/core/base';
import { type Block, fromMarkdownText } from '@yosomi/core/booklet';
import { onBooklet, setText } from '@yosomi/core/project';
import { type Editor, EditorContent, useEditor } from '@tiptap/react';
import { useEffect, useRef } from 'react';
import { useSession } from '../../state/session';
import { fromEditor, toEditor } from './editor-doc';
import { EXTENSIONS } from './extensions';
import { TextTools } from './text-tools';

/** Signs by which text that comes without its formatting is taken for Markdown. */
const MARKED = /^(#{1,6} |[-*+] |\d+[.)] |> |\|.+\|)|\*\*\S|\]\(https?:/m;

/** What is pasted without formatting becomes headings and lists where it is written as such. */
function pasted(editor: Editor | null, data: DataTransfer | null): boolean {
  const text = data?.getData('text/plain') ?? '';
  if (!editor || !text || data?.types.includes('text/html') || !MARKED.test(text)) return false;
  const read = fromMarkdownText(text);
  if (!read.ok) return false;
  editor.commands.insertContent(toEditor(read.value.manuscript.blocks).content ?? []);
  return true;
}

/** The text of the booklet, as what it is and not how it looks. */
export function TextEditor({
  blocks,
  onPicture,
  focused,
}: {
  blocks: readonly Block[];
  onPicture(after: number | null): void;
  focused: { readonly block: number } | null;
}) {
  const edit = useSession((s) => s.edit);
  /** The text as this editor gave it last: what differs came from elsewhere, such as Undo. */
  const given = useRef(keyOf(blocks));
  const ref = useRef<Editor | null>(null);
  const editor = useEditor({
    extensions: EXTENSIONS,
    content: toEditor(blocks),
    injectCSS: false,
    immediatelyRender: true,
    shouldRerenderOnTransaction: false,
    editorProps: {
      attributes: {
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-label': 'Text of the booklet',
        class: 'manuscript',
      },
      handlePaste: (_, event) => pasted(ref.current, event.clipboardData),
      handleKeyDown: (_, event) => {
        if (!(event.ctrlKey || event.metaKey) || event.altKey) return false;
        const key = event.key.toLowerCase();
        if (key !== 'z' && key !== 'y') return false;
        event.preventDefault();
        const { undo, redo } = useSession.getState();
        if (key === 'y' || event.shiftKey) redo();
        else undo();
        return true;
      },
    },
    onUpdate: ({ editor }) => {
      const now = fromEditor(editor.getJSON());
      given.current = keyOf(now);
      if (edit('Text of the booklet', onBooklet(setText(now)), 'booklet-text')) return;
      // What cannot be kept must not look as if it were.
      const stored = useSession.getState().book?.booklet?.manuscript.blocks ?? [];
      given.current = keyOf(stored);
      editor.commands.setContent(toEditor(stored), { emitUpdate: false });
    },
  });
  useEffect(() => {
    ref.current = editor;
  }, [editor]);
  useEffect(() => {
    const key = keyOf(blocks);
    if (key === given.current) return;
    given.current = key;
    editor.commands.setContent(toEditor(blocks), { emitUpdate: false });
  }, [blocks, editor]);
  useEffect(() => {
    if (focused) focusBlock(editor, focused.block);
  }, [focused, editor]);
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <TextTools editor={editor} onPicture={() => onPicture(blockAt(editor))} />
      <div className="min-h-0 flex-1 overflow-y-auto bg-card px-6 py-4">
        <EditorContent editor={editor} />
      </div>
    </div>
  );
}

/** The block of the text in which the caret stands; null where there is none. */
function blockAt(editor: Editor): number | null {
  const { $from } = editor.state.selection;
  return $from.depth > 0 ? $from.index(0) : null;
}

function focusBlock(editor: Editor, block: number): void {
  const { doc } = editor.state;
  if (block >= doc.childCount) return;
  let at = 0;
  for (let i = 0; i < block; i++) at += doc.child(i).nodeSize;
  editor
    .chain()
    .setTextSelection(Math.min(at + 1, doc.content.size))
    .focus()
    .scrollIntoView()
    .run();
}
