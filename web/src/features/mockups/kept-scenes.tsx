import { type Scene, setWholeScene } from '@yosomi/core/mockup';
import { adoptedBy } from '@yosomi/core/project';
import { useLiveQuery } from 'dexie-react-hooks';
import { X } from 'lucide-react';
import { useState } from 'react';
import { sayFault, say } from '../../messages/say';
import { LeftAsItIs } from '../frame/left-as-it-is';
import { type KeptScene, dropScene, keepScene, loadScenes } from '../../persist/scenes';
import { editStored } from '../../persist/titles';
import { nowIso } from '../../platform/clock';
import { freshId } from '../../platform/ids';
import { follow } from '../../state/follow';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { NameDialog } from '../../ui/name-dialog';
import { CompareScenes } from './compare-scenes';
import { ARRANGEMENT_NAMES } from './names';
import { useScene } from './use-scene';

/** Scenes kept to be used again, for this title and for others, and giving the present one to the series. */
export function KeptScenes({ series }: { series: readonly string[] }) {
  const book = useBook();
  const { scene, set } = useScene();
  const { value: kept, fault: unread } = useLiveQuery(loadScenes) ?? { value: [], fault: null };
  const [naming, setNaming] = useState(false);
  const [comparing, setComparing] = useState(false);
  const use = (one: { name: string; scene: Scene }): void =>
    set(`Scene: ${one.name}`, setWholeScene(adoptedBy(one.scene, book)));

  const keep = async (name: string): Promise<void> => {
    const done = await keepScene({ id: freshId(), name, scene });
    if (!done.ok) return sayFault(done.fault);
    setNaming(false);
    say('Kept the scene');
  };
  const drop = async (one: KeptScene): Promise<void> => {
    const done = await dropScene(one.id);
    if (!done.ok) sayFault(done.fault);
  };
  /** Each title of the series shows itself in this scene. */
  const give = async (): Promise<void> => {
    const shared = { id: freshId(), titles: [...series] };
    for (const id of series) {
      const saved = await editStored(
        id,
        'Scene of the series',
        (mate) => void (mate.scene = adoptedBy(structuredClone(scene), mate)),
        nowIso(),
        shared,
      );
      if (!saved.ok) return sayFault(saved.fault);
    }
    say(`Given to ${series.length} other ${series.length === 1 ? 'title' : 'titles'} of the series`, {
      label: 'Undo',
      run: () => void follow(shared, 'undo', null),
    });
  };
  const failed = (): void => sayFault({ code: 'work-failed', data: {} });
  return (
    <div className="flex flex-col gap-1.5 px-3 pt-4">
      <h2 className="text-xs font-semibold text-ink-2">Kept scenes</h2>
      {kept.map((one) => (
        <span key={one.id} className="flex items-center justify-between gap-1">
          <button
            type="button"
            onClick={() => use(one)}
            className="min-w-0 truncate text-left underline underline-offset-2"
          >
            {one.name}
          </button>
          <button
            type="button"
            aria-label={`Remove the scene ${one.name}`}
            onClick={() => void drop(one).catch(failed)}
          >
            <X size={13} />
          </button>
        </span>
      ))}
      <LeftAsItIs why={unread} />
      <Button onClick={() => setNaming(true)}>Keep this scene</Button>
      {kept.length > 0 && <Button onClick={() => setComparing(true)}>Compare</Button>}
      <CompareScenes
        open={comparing}
        onClose={() => setComparing(false)}
        kept={kept.map((one) => ({ ...one, scene: adoptedBy(one.scene, book) }))}
        onUse={use}
      />
      {series.length > 0 && <Button onClick={() => void give().catch(failed)}>Give it to the series</Button>}
      {naming && (
        <NameDialog
          title="Keep this scene"
          description="Every title can use it then, with its own cover."
          label="Name of the scene"
          usual={ARRANGEMENT_NAMES[scene.arrangement]}
          onClose={() => setNaming(false)}
          onKeep={(name) => void keep(name).catch(failed)}
        />
      )}
    </div>
  );
}
