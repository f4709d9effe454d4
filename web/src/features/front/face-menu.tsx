import { type WordsPart, setParts } from '@yosomi/core/cover';
import type { OwnFace } from '@yosomi/core/project';
import { FAMILIES, OWN_FACE, cutLike, familyOf } from '@yosomi/core/text';
import { useEffect } from 'react';
import { showFace } from '../../platform/face-preview';
import { useFrom, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Menu } from '../../ui/menu';
import { faceGroups, showFaces } from './face-groups';
import { nameOf } from './part-names';
import { useFontInput } from './use-font-input';
import { useHouse } from './use-house';
import type { On } from './use-set';

/** Chooses the face of words: shipped ones in groups by what they suit, shown in the book's own words, and a person's own. */
export function FaceMenu(props: { parts: readonly WordsPart[]; on: On; sample: string }) {
  const { parts, on, sample } = props;
  const [part] = parts;
  const label = `Face of ${parts.length > 1 ? `${parts.length} parts` : nameOf(part).toLowerCase()}`;
  const ids = parts.map(({ id }) => id);
  const faces = useFrom((b) => b.faces);
  const { house } = useHouse();
  const edit = useSession((s) => s.edit);
  const family = familyOf(part.cut);
  useEffect(() => {
    if (family) showFace(family.cuts[0].id);
  }, [family]);
  const own = [...Object.values(faces), ...house.faces.filter((f) => !faces[f.id])];
  /** A face of one's own comes into the title in the step that first uses it. */
  const chooseOwn = (face: OwnFace): void =>
    void edit(label, (book) => {
      book.faces[face.id] = face;
      return on(setParts(ids, () => ({ cut: `${OWN_FACE}${face.id}`, wide: null })))(book);
    });
  const font = useFontInput(chooseOwn, sample);
  const choose = (id: string): void => {
    const face = own.find((f) => id === `${OWN_FACE}${f.id}`);
    if (face) return chooseOwn(face);
    const next = FAMILIES.find((f) => f.id === id);
    if (!next) return;
    const dressed = (words: WordsPart): Partial<WordsPart> => {
      const cut = cutLike(words.cut, next);
      const italic = next.cuts.find((c) => c.italic)?.id ?? cut;
      return { cut, wide: null, minor: words.minor && { ...words.minor, cut: italic } };
    };
    edit(label, on(setParts(ids, (one) => dressed(one as WordsPart))));
  };
  return (
    <>
      {font.input}
      <Menu
        label="Face"
        onOpen={() => showFaces(own)}
        value={family?.id ?? part.cut}
        mixed={parts.some((one) => (familyOf(one.cut)?.id ?? one.cut) !== (family?.id ?? part.cut))}
        onChange={choose}
        groups={faceGroups(own, sample.split('\n')[0].slice(0, 40))}
      />
      <Button kind="link" className="self-start" onClick={font.open}>
        Add a font of your own
      </Button>
    </>
  );
}
