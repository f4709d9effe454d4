import {
  type Doc,
  type PageGuides,
  addGuide,
  bandsOf,
  dropGuide,
  moveGuide,
  noGuides,
  setGuides,
} from '@yosomi/core/cover';
import { Plus, X } from 'lucide-react';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Dialog } from '../../ui/dialog';
import { NumberField } from '../../ui/number-field';
import type { On } from './use-set';

const AXES = [
  { axis: 'x', title: 'Upright lines', from: 'from the left', add: 'Add an upright line' },
  { axis: 'y', title: 'Level lines', from: 'from the top', add: 'Add a level line' },
] as const;

/** Lines of one's own by numbers, columns and rows, the golden section. */
export function GuidesDialog({ doc, on, onClose }: { doc: Doc; on: On; onClose(): void }) {
  const edit = useSession((s) => s.edit);
  const guides = doc.guides ?? noGuides;
  const { widthPx: w, heightPx: h } = doc;
  const set = (what: string, fields: Partial<PageGuides>, merge: string | false = false): void =>
    void edit(what, on(setGuides(fields)), merge || null);
  const bands = (what: 'columns' | 'rows', name: string) => {
    const own = guides[what];
    const fits = own === null || bandsOf(doc, what === 'columns' ? 'x' : 'y').length > 0;
    return (
      <Check
        label={name}
        checked={own !== null}
        onChange={(yes) => set(name, { [what]: yes ? { count: what === 'columns' ? 6 : 8, gutter: 0.02 } : null })}
      >
        {own && (
          <>
            <NumberField
              label={`How many ${what}`}
              value={own.count}
              least={1}
              most={24}
              onChange={(count, d) => set(name, { [what]: { ...own, count: Math.round(count) } }, d && `${what}-n`)}
            />
            <NumberField
              label={`Gap between ${what}`}
              unit="px"
              value={Math.round(own.gutter * w)}
              least={0}
              most={Math.round(w * 0.3)}
              onChange={(px, d) => set(name, { [what]: { ...own, gutter: px / w } }, d && `${what}-g`)}
            />
            {!fits && <p className="text-fail">So many with such gaps have no room. Make the gaps smaller.</p>}
          </>
        )}
      </Check>
    );
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Guides"
      description="Lines that parts are pulled to. They are never in a file. Pull more out of the rulers at the top and on the left."
    >
      {AXES.map(({ axis, title, from, add }) => (
        <section key={axis} aria-label={title} className="flex flex-col gap-2">
          <h3 className="font-semibold">{title}</h3>
          {guides.lines.map((line, i) =>
            line.axis === axis ? (
              <div key={i} className="flex items-center gap-2">
                <div className="flex-1">
                  <NumberField
                    label={`Line ${guides.lines.slice(0, i + 1).filter((one) => one.axis === axis).length}, ${from}`}
                    unit="px"
                    value={Math.round(line.at * (axis === 'x' ? w : h))}
                    least={0}
                    most={axis === 'x' ? w : h}
                    onChange={(px, d) => void edit('Move a guide', on(moveGuide(i, px)), d ? `guide-${i}` : null)}
                  />
                </div>
                <button
                  type="button"
                  aria-label={`Take line ${i + 1} away`}
                  className="rounded-sm p-1.5 text-ink-2 hover:text-ink"
                  onClick={() => void edit('Take a guide away', on(dropGuide(i)))}
                >
                  <X size={15} />
                </button>
              </div>
            ) : null,
          )}
          <Button
            className="self-start"
            onClick={() => void edit('Add a guide', on(addGuide(axis, (axis === 'x' ? w : h) / 2)))}
          >
            <Plus size={15} /> {add}
          </Button>
        </section>
      ))}
      {bands('columns', 'Columns')}
      {bands('rows', 'Rows')}
      {(guides.columns || guides.rows) && (
        <NumberField
          label="Margin round them"
          unit="px"
          value={Math.round(guides.margin * w)}
          least={0}
          most={Math.round(w * 0.4)}
          onChange={(px, d) => set('Margin of the guides', { margin: px / w }, d && 'guides-margin')}
        />
      )}
      <Check
        label="Golden section"
        hint="Lines at 38 and 62 % of the width and of the height."
        checked={guides.golden}
        onChange={(golden) => set('Golden section', { golden })}
      />
      {doc.guides && (
        <Button className="self-start" onClick={() => set('No guides', noGuides)}>
          Take all away
        </Button>
      )}
    </Dialog>
  );
}
