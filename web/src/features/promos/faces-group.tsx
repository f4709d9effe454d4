import { onCampaign } from '@yosomi/core/project';
import { type Campaign, setStyle } from '@yosomi/core/promo';
import { FAMILIES, OWN_FACE, isOwnCut } from '@yosomi/core/text';
import { useFrom, useSession } from '../../state/session';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { useHouse } from '../front/use-house';
import type { SetCampaign } from './use-campaign';

const COVER = 'cover';

/** Faces of a campaign: the cover's, one that ships, or one of a person's own from the title or the house. */
export function FacesGroup({ campaign, set }: { campaign: Campaign; set: SetCampaign }) {
  const { faces } = campaign.style;
  const inTitle = useFrom((b) => b.faces);
  const edit = useSession((s) => s.edit);
  const { house } = useHouse();
  const own = [...Object.values(inTitle), ...house.faces.filter((f) => !inTitle[f.id])];
  const named = FAMILIES.map((f) => ({ value: f.id, label: f.name }));
  const options = [
    { title: 'From the title', options: [{ value: COVER, label: 'Those of the cover' }] },
    ...(own.length > 0
      ? [{ title: 'Your own', options: own.map((f) => ({ value: `${OWN_FACE}${f.id}`, label: f.name })) }]
      : []),
    { title: 'Faces', options: named },
  ];
  const cutOf = (family: string, weight: number): string => {
    const cuts = FAMILIES.find((f) => f.id === family)?.cuts.filter((c) => !c.italic) ?? [];
    const near = [...cuts].sort((a, b) => Math.abs(a.weight - weight) - Math.abs(b.weight - weight))[0];
    return near?.id ?? 'work-sans/400';
  };
  const family = (cut: string | undefined): string => (!cut ? COVER : isOwnCut(cut) ? cut : cut.split('/')[0]);
  const choose = (which: 'head' | 'text', id: string): void => {
    if (id === COVER) return void set('Faces', setStyle({ faces: null }));
    const face = own.find((f) => id === `${OWN_FACE}${f.id}`);
    if (face) {
      // A face of one's own comes into the title in the step that first uses it.
      const rest = faces ?? { head: id, text: 'work-sans/400' };
      return void edit('Faces', (book) => {
        book.faces[face.id] = face;
        return onCampaign(campaign.id, setStyle({ faces: { ...rest, [which]: id } }))(book);
      });
    }
    const other = faces ?? { head: cutOf(id, 700), text: which === 'text' ? cutOf(id, 400) : 'work-sans/400' };
    set('Faces', setStyle({ faces: { ...other, [which]: cutOf(id, which === 'head' ? 700 : 400) } }));
  };
  return (
    <Group title="Faces" folded={faces === null}>
      <Menu
        label="Face of the headline"
        value={family(faces?.head)}
        groups={options}
        onChange={(id) => choose('head', id)}
      />
      <Menu
        label="Face of the lines"
        value={family(faces?.text)}
        groups={options}
        onChange={(id) => choose('text', id)}
      />
    </Group>
  );
}
