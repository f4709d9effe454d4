import {
  type Doc,
  type StyleLook,
  type WordsPart,
  WordsStyle,
  bringStyle,
  dropStyle,
  nameStyle,
  ownLook,
  setStyle,
  wearStyle,
} from '@yosomi/core/cover';
import type { Book, OwnFace } from '@yosomi/core/project';
import { OWN_FACE } from '@yosomi/core/text';
import { useState } from 'react';
import { freshId } from '../../platform/ids';
import { useFrom, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Menu, type MenuGroup } from '../../ui/menu';
import { NameDialog } from '../../ui/name-dialog';
import { nameOf } from './part-names';
import { useHouse } from './use-house';
import type { On } from './use-set';

const FIELDS: Readonly<Record<keyof StyleLook, string>> = {
  cut: 'face',
  wide: 'width of letters',
  size: 'size',
  tracking: 'tracking',
  leading: 'leading',
  upper: 'capitals',
  smallCaps: 'small capitals',
  alternates: 'letter shapes',
  figures: 'figures',
  kerning: 'space between letters',
  colour: 'colour',
  ruleAbove: 'rule above',
  ruleBelow: 'rule below',
};

const NONE = 'none';

/** The choice of a style for words; of several parts, for all of them. */
function StyleMenu(props: { ids: readonly string[]; value: string | null; mixed?: boolean; doc: Doc; on: On }) {
  const { ids, value, mixed, doc, on } = props;
  const edit = useSession((s) => s.edit);
  const { house } = useHouse();
  const faces = useHouseFaces();
  const styles = Object.entries(doc.styles);
  const shared = house.styles.filter(({ id }) => !doc.styles[id]);
  const groups: MenuGroup[] = [
    { title: 'Styles of this cover', options: styles.map(([id, { name }]) => ({ value: `style ${id}`, label: name })) },
    { title: 'Styles of the house', options: shared.map(({ id, name }) => ({ value: `house ${id}`, label: name })) },
    { title: 'Else', options: [{ value: NONE, label: 'No style' }] },
  ].filter((group) => group.options.length > 0);
  const choose = (chosen: string): void => {
    const brought = shared.find((one) => chosen === `house ${one.id}`);
    if (brought)
      return void edit(`Style ${brought.name}`, (book) => {
        faces(book, brought);
        return on(bringStyle(ids, brought.id, brought))(book);
      });
    const id = chosen === NONE ? null : chosen.slice('style '.length);
    void edit(id ? `Style ${doc.styles[id].name}` : 'No style', on(wearStyle(ids, id)));
  };
  return (
    <div className="flex flex-col gap-1">
      <p className="font-semibold">Style</p>
      <Menu
        label="Style of the words"
        mixed={mixed}
        value={value !== null && doc.styles[value] ? `style ${value}` : NONE}
        groups={groups}
        onChange={choose}
      />
    </div>
  );
}

/** The style of one line of words, what it differs in, and how the two become one again. */
export function StyleRow({ part, doc, on }: { part: WordsPart; doc: Doc; on: On }) {
  const edit = useSession((s) => s.edit);
  const [naming, setNaming] = useState(false);
  const style = part.style === null ? undefined : doc.styles[part.style];
  const own = ownLook(doc, part);
  const others = Object.values(doc.parts).filter(
    (other) => other.kind === 'words' && other.style !== null && other.style === part.style && other.id !== part.id,
  ).length;
  return (
    <>
      <StyleMenu ids={[part.id]} value={part.style} doc={doc} on={on} />
      {style && part.style !== null && (
        <div className="flex flex-col items-start gap-1">
          <p className="text-xs text-ink-2">
            {own.length === 0
              ? others === 0
                ? 'Only these words have it.'
                : `${others === 1 ? 'One other part has' : `${others} other parts have`} it too.`
              : `Differs in ${own.map((name) => FIELDS[name]).join(', ')}.`}
          </p>
          {own.length > 0 && (
            <div className="flex flex-wrap gap-x-3 gap-y-1">
              <Button kind="link" onClick={() => void edit(`Change style ${style.name}`, on(setStyle(part.id)))}>
                Change the style to this
              </Button>
              <Button
                kind="link"
                onClick={() => void edit(`Style ${style.name}`, on(wearStyle([part.id], part.style)))}
              >
                Back to the style
              </Button>
            </div>
          )}
          {own.length === 0 && <InHouse part={part} style={style} id={part.style} on={on} />}
          {own.length === 0 && (
            <Button
              kind="link"
              onClick={() => void edit(`Remove style ${style.name}`, on(dropStyle(part.style ?? '')))}
            >
              Remove the style
            </Button>
          )}
        </div>
      )}
      {(!style || own.length > 0) && (
        <Button kind="link" className="self-start" onClick={() => setNaming(true)}>
          Name this look as a style
        </Button>
      )}
      {naming && (
        <NameDialog
          title="Name a style"
          description="Face, size, spacing, colour and rules are kept under the name. Give it to other words, and change them all in one place."
          label="Name"
          usual={nameOf(part)}
          onClose={() => setNaming(false)}
          onKeep={(name) => {
            if (edit(`Name style ${name}`, on(nameStyle(part.id, freshId(), name)))) setNaming(false);
          }}
        />
      )}
    </>
  );
}

/** Whether a style is in the house style, and how the two become one again. */
function InHouse({ part, style, id, on }: { part: WordsPart; style: WordsStyle; id: string; on: On }) {
  const edit = useSession((s) => s.edit);
  const { house, change } = useHouse();
  const faces = useHouseFaces();
  const own = useFrom((b) => b.faces);
  const there = house.styles.find((one) => one.id === id);
  /** A face of one's own goes along. */
  const keep = (): void =>
    void change((now) => {
      const face = ownFaceOf(style.look.cut, own);
      return {
        ...now,
        styles: [...now.styles.filter((one) => one.id !== id), { id, ...style }],
        faces: face && !now.faces.some((one) => one.id === face.id) ? [...now.faces, face] : now.faces,
      };
    });
  if (there && JSON.stringify(WordsStyle.parse(there)) === JSON.stringify(WordsStyle.parse(style)))
    return <p className="text-xs text-ink-2">In the house style.</p>;
  return (
    <div className="flex flex-wrap gap-x-3 gap-y-1">
      <Button kind="link" onClick={keep}>
        {there ? 'Change it in the house style' : 'Keep it in the house style'}
      </Button>
      {there && (
        <Button
          kind="link"
          onClick={() =>
            void edit(`Style ${there.name} of the house`, (book) => {
              faces(book, there);
              return on(bringStyle([part.id], id, there))(book);
            })
          }
        >
          Take the one of the house
        </Button>
      )}
    </div>
  );
}

const ownFaceOf = (cut: string, faces: Readonly<Record<string, OwnFace>>): OwnFace | undefined =>
  cut.startsWith(OWN_FACE) ? faces[cut.slice(OWN_FACE.length)] : undefined;

/** Brings the face of a style of the house into a title, where it is one of one's own. */
function useHouseFaces(): (book: Book, style: WordsStyle) => void {
  const { house } = useHouse();
  return (book, { look }) => {
    const face = ownFaceOf(look.cut, Object.fromEntries(house.faces.map((one) => [one.id, one])));
    if (face) book.faces[face.id] = face;
  };
}

/** The style of several lines of words. */
export function ManyStyles({ parts, doc, on }: { parts: readonly WordsPart[]; doc: Doc; on: On }) {
  const { house } = useHouse();
  if (Object.keys(doc.styles).length === 0 && house.styles.length === 0) return null;
  const [{ style }] = parts;
  const mixed = parts.some((part) => part.style !== style);
  return <StyleMenu ids={parts.map(({ id }) => id)} value={style} mixed={mixed} doc={doc} on={on} />;
}
