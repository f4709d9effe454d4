import type { Finding } from '@yosomi/core/base';
import { distinct } from '@yosomi/core/colour';
import type { AddedScrim } from '@yosomi/core/compose';
import { type Doc, coloursOf } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import type { WordsReport } from '@yosomi/core/recipe';
import type { ReactNode } from 'react';
import { useSession } from '../../state/session';
import { CurveInspector } from './curve-inspector';
import { ManyInspector } from './many-inspector';
import { AddedScrimInspector, GroundInspector, OverlayInspector, ScrimInspector } from './other-inspectors';
import { nameOf } from './part-names';
import { PictureInspector } from './picture-inspector';
import { ShapeInspector } from './shape-inspector';
import { useHouse } from './use-house';
import type { On } from './use-set';
import { WordsInspector } from './words-inspector';

/** What can be asked of the selected part, or of several; with nothing selected, what `empty` says. */
export function Inspector(props: {
  doc: Doc;
  on: On;
  frames: ReadonlyMap<string, Rect>;
  reports: ReadonlyMap<string, WordsReport>;
  findings: readonly Finding[];
  added: readonly AddedScrim[];
  colours: readonly string[];
  /** Whether looks of words have names here: they are the cover's own. */
  styles?: boolean;
  empty: ReactNode;
}) {
  const { doc, on, frames, reports, findings, added, styles = false } = props;
  const { house } = useHouse();
  const selection = useSession((s) => s.selection);
  const [first] = selection;
  const part = first ? doc.parts[first] : undefined;
  const many = selection.filter((id) => doc.parts[id]);
  const scrim = added.find((a) => `added-${a.from}` === first);
  const swatches = distinct([...house.colours, ...coloursOf(doc), ...props.colours]).slice(0, 12);
  const same = { doc, on, frames, swatches };
  const own = findings.filter((f) => f.part === part?.id);
  return (
    <aside
      aria-label="Inspector"
      className="flex h-full min-h-0 w-[288px] shrink-0 flex-col overflow-auto border-l border-line"
    >
      {many.length > 1 ? (
        <ManyInspector ids={many} {...same} styles={styles} />
      ) : (
        <>
          {part && <h2 className="px-4 pt-4 text-base font-semibold">{nameOf(part)}</h2>}
          {scrim && <h2 className="px-4 pt-4 text-base font-semibold">Scrim, from the {scrim.from}</h2>}
          {part?.kind === 'words' && (
            <WordsInspector
              key={part.id}
              part={part}
              {...same}
              report={reports.get(part.id)}
              findings={own}
              styles={styles}
            />
          )}
          {part?.kind === 'picture' && <PictureInspector key={part.id} part={part} {...same} findings={own} />}
          {part?.kind === 'shape' && <ShapeInspector key={part.id} part={part} {...same} />}
          {part?.kind === 'curve' && <CurveInspector key={part.id} part={part} {...same} />}
          {part?.kind === 'overlay' && <OverlayInspector key={part.id} part={part} {...same} />}
          {part?.kind === 'scrim' && <ScrimInspector key={part.id} part={part} {...same} />}
          {part?.kind === 'ground' && <GroundInspector key={part.id} part={part} {...same} />}
          {scrim && <AddedScrimInspector scrim={scrim} on={on} />}
          {!part && !scrim && props.empty}
        </>
      )}
    </aside>
  );
}
