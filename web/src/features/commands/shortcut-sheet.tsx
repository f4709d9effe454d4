import { type Action, keysOf } from '../../state/actions';
import { Dialog } from '../../ui/dialog';

/** All keys that work on this screen, by group. */
export function ShortcutSheet(props: { open: boolean; onClose(): void; actions: readonly Action[] }) {
  const keyed = props.actions.filter((action) => action.combos && action.combos.length > 0);
  const groups = [...new Set(keyed.map((action) => action.group))];
  return (
    <Dialog open={props.open} onClose={props.onClose} title="Shortcuts" description="What the keys do here." wide>
      <div className="columns-2 gap-8">
        {groups.map((group) => (
          <section key={group} className="mb-4 break-inside-avoid">
            <h3 className="pb-1 text-xs font-semibold text-ink-2">{group}</h3>
            <dl>
              {keyed
                .filter((action) => action.group === group)
                .map((action) => (
                  <div key={action.id} className="flex justify-between gap-4 border-b border-line py-1">
                    <dt>{action.label}</dt>
                    <dd className="font-mono text-xs whitespace-nowrap text-ink-2">
                      {(action.combos ?? []).map(keysOf).join(' or ')}
                    </dd>
                  </div>
                ))}
            </dl>
          </section>
        ))}
      </div>
    </Dialog>
  );
}
