import type { Editor } from '@tiptap/core';
import { useEditorState } from '@tiptap/react';
import {
  Bold,
  Image,
  Italic,
  Lightbulb,
  Link,
  List,
  ListChecks,
  ListOrdered,
  type LucideIcon,
  MousePointerClick,
  Quote,
  Table,
} from 'lucide-react';
import { useState } from 'react';
import { typedLink } from '@yosomi/core/booklet';
import { sayFault } from '../../messages/say';
import { Menu } from '../../ui/menu';
import { NameDialog } from '../../ui/name-dialog';
import { Tip } from '../../ui/tip';

const LEVELS = [
  { value: '0', label: 'Text' },
  { value: '1', label: 'Chapter' },
  { value: '2', label: 'Heading' },
  { value: '3', label: 'Small heading' },
];

function Tool(props: { label: string; keys?: string; on: boolean; icon: LucideIcon; onPress(): void }) {
  const Icon = props.icon;
  return (
    <Tip text={props.label} keys={props.keys}>
      <button
        type="button"
        aria-label={props.label}
        aria-pressed={props.on}
        // The caret stays in the text.
        onMouseDown={(e) => e.preventDefault()}
        onClick={props.onPress}
        className="rounded-sm p-1.5 text-ink-2 hover:bg-line/60 hover:text-ink aria-pressed:bg-ink aria-pressed:text-card"
      >
        <Icon size={15} aria-hidden />
      </button>
    </Tip>
  );
}

/** What the text in hand is, and what can be put into it. */
export function TextTools({ editor, onPicture }: { editor: Editor; onPicture(): void }) {
  const [linking, setLinking] = useState(false);
  const now = useEditorState({
    editor,
    selector: ({ editor }) => ({
      level: String(([1, 2, 3] as const).find((level) => editor.isActive('heading', { level })) ?? 0),
      bold: editor.isActive('bold'),
      italic: editor.isActive('italic'),
      link: editor.isActive('link'),
      bullets: editor.isActive('bulletList'),
      numbers: editor.isActive('orderedList'),
      ticks: editor.isActive('taskList'),
      quote: editor.isActive('blockquote'),
      tip: editor.isActive('tip'),
      table: editor.isActive('table'),
    }),
  });
  const run = () => editor.chain().focus();
  const setLevel = (value: string): void => {
    const level = Number(value);
    if (level === 1 || level === 2 || level === 3) run().setHeading({ level }).run();
    else run().setParagraph().run();
  };
  return (
    <div
      role="toolbar"
      aria-label="Text"
      className="flex flex-wrap items-center gap-0.5 border-b border-line bg-card px-2 py-1"
    >
      <div className="mr-1 w-28">
        <Menu
          label="What this is"
          value={now.level}
          groups={[{ title: 'What this is', options: LEVELS }]}
          onChange={setLevel}
        />
      </div>
      <Tool label="Bold" keys="Ctrl B" on={now.bold} icon={Bold} onPress={() => run().toggleBold().run()} />
      <Tool label="Italic" keys="Ctrl I" on={now.italic} icon={Italic} onPress={() => run().toggleItalic().run()} />
      <Tool
        label={now.link ? 'Take the link away' : 'Link'}
        on={now.link}
        icon={Link}
        onPress={() => (now.link ? void run().extendMarkRange('link').unsetLink().run() : setLinking(true))}
      />
      <Tool label="Bullets" on={now.bullets} icon={List} onPress={() => run().toggleBulletList().run()} />
      <Tool
        label="Numbered steps"
        on={now.numbers}
        icon={ListOrdered}
        onPress={() => run().toggleOrderedList().run()}
      />
      <Tool label="Boxes to tick" on={now.ticks} icon={ListChecks} onPress={() => run().toggleTaskList().run()} />
      <Tool label="Quotation" on={now.quote} icon={Quote} onPress={() => run().toggleBlockquote().run()} />
      <Tool label="Tip" on={now.tip} icon={Lightbulb} onPress={() => run().toggleWrap('tip').run()} />
      <Tool
        label="Table"
        on={now.table}
        icon={Table}
        onPress={() => {
          if (!now.table) run().insertTable({ rows: 3, cols: 3, withHeaderRow: true }).run();
        }}
      />
      <Tool label="Picture" on={false} icon={Image} onPress={onPicture} />
      <Tool
        label="Button with a link"
        on={false}
        icon={MousePointerClick}
        onPress={() =>
          run()
            .insertContent({ type: 'button', attrs: { label: 'Get the book', url: '' } })
            .run()
        }
      />
      {linking && (
        <NameDialog
          title="Link"
          description="Where the chosen words lead: an address of the web, or a mail address."
          label="Address"
          usual="https://"
          onClose={() => setLinking(false)}
          onKeep={(typed) => {
            setLinking(false);
            const url = typedLink(typed);
            if (url) run().setLink({ href: url }).run();
            else sayFault({ code: 'link-wrong', data: {} });
          }}
        />
      )}
    </div>
  );
}
