import { type NamedScene, onCampaign, showCampaignIn } from '@yosomi/core/project';
import { type Campaign, setStyle } from '@yosomi/core/promo';
import { type Others, goneFrom } from '@yosomi/core/recipe';
import { useLiveQuery } from 'dexie-react-hooks';
import { loadScenes } from '../../persist/scenes';
import { useBook, useSession } from '../../state/session';
import { Menu } from '../../ui/menu';
import { LeftAsItIs } from '../frame/left-as-it-is';

const MOCKUPS = 'mockups';
/** The look that shows a scene as it is arranged. */
const ARRANGED = 'own';

/** The scene that a campaign shows its books in: that of Mockups as it is now, or one that was kept. Nothing while none is kept. */
export function SceneMenu({ campaign, others }: { campaign: Campaign; others: Others | null }) {
  const book = useBook();
  const inTitle = book.scenes;
  const edit = useSession((s) => s.edit);
  const { value: kept, fault } = useLiveQuery(loadScenes) ?? { value: [], fault: null };
  const all = new Map<string, NamedScene>([
    ...Object.entries(inTitle),
    ...kept.map(({ id, name, scene }) => [id, { name, scene }] as const),
  ]);
  const { scene } = campaign.style;
  const own = scene === null ? undefined : inTitle[scene];
  const gone = others && campaign.style.look === ARRANGED ? goneFrom((own ?? book).scene, book, others).length : 0;
  const lost = gone > 0 ? { code: 'volume-gone', data: { count: gone } } : null;
  if (all.size === 0) return <LeftAsItIs why={lost ?? fault} />;
  const choose = (id: string): void => {
    const found = all.get(id);
    edit(found ? `Scene: ${found.name}` : 'Scene of Mockups', (book) => {
      const refused = showCampaignIn(campaign.id, found ? { id, ...found } : null)(book);
      // Another look hides how the things are arranged: whoever chooses a scene wants to see it.
      return refused ?? (found ? onCampaign(campaign.id, setStyle({ look: ARRANGED }))(book) : undefined);
    });
  };
  return (
    <div className="mt-1.5 flex flex-col gap-1">
      <span aria-hidden className="text-xs font-semibold text-ink-2">
        Scene
      </span>
      <Menu
        label="Scene"
        value={own && scene !== null ? scene : MOCKUPS}
        groups={[
          { title: 'This title', options: [{ value: MOCKUPS, label: 'As in Mockups now' }] },
          { title: 'Kept scenes', options: [...all].map(([value, { name }]) => ({ value, label: name })) },
        ]}
        onChange={choose}
      />
      <LeftAsItIs why={lost ?? fault} />
    </div>
  );
}
