import { Button } from '../../ui/button';
import { Working } from '../../ui/working';
import { saveTitlesTable, useSavingTable } from '../title-table/save-table';
import { saveTitles, stopSaving, useSaving } from './save-titles';

/** What is done with all titles that are chosen. */
export function ChosenBar(props: {
  ids: readonly string[];
  found: number;
  onDeliver(): void;
  onRemove(): void;
  onAll(): void;
  onNone(): void;
}) {
  const saving = useSaving((s) => s.now);
  const table = useSavingTable((s) => s.now);
  const { ids, found } = props;
  if (ids.length === 0 && !saving && !table) return null;
  return (
    <section
      aria-label="Chosen titles"
      className="sticky bottom-0 z-20 -mx-4 flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-edge bg-card px-4 py-2.5 min-[1000px]:-mx-10 min-[1000px]:px-10"
    >
      {ids.length > 0 && (
        <>
          <p role="status" className="font-semibold">
            {ids.length === 1 ? 'One title chosen' : `${ids.length} titles chosen`}
          </p>
          <Button onClick={props.onDeliver}>Deliver</Button>
          <Button onClick={() => void saveTitles(ids)} disabled={saving !== null}>
            Save as files
          </Button>
          <Button onClick={() => void saveTitlesTable(ids)} disabled={table !== null}>
            Save as a table
          </Button>
          <Button className="text-fail" onClick={props.onRemove}>
            Remove from the Shelf
          </Button>
          {ids.length < found && (
            <Button kind="quiet" onClick={props.onAll}>
              Choose all {found}
            </Button>
          )}
          <Button kind="quiet" onClick={props.onNone}>
            Choose none
          </Button>
        </>
      )}
      {saving && (
        <div className="w-80 max-w-full">
          <Working
            label={`Saving titles, ${saving.done} of ${saving.of}`}
            done={saving.done / saving.of}
            onStop={stopSaving}
          />
        </div>
      )}
      {table && (
        <p role="status" className="text-ink-2">
          Reading titles for the table, {table.done} of {table.of}
        </p>
      )}
    </section>
  );
}
