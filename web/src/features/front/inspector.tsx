import type { Edit, Finding } from '@yosomi/core/base';
import type { AddedScrim } from '@yosomi/core/compose';
import { type Doc, coloursOf } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import type { Book } from '@yosomi/core/project';
import type { WordsReport } from '@yosomi/core/recipe';
import type { ReactNode } from 'react';
import { useSession } from '../../state/session';
import {
  AddedScrimInspector,
  GroundInspector,
  PictureInspector,
  ScrimInspector,
  ShapeInspector,
} from './other-inspectors';
import { nameOf } from './part-names';
import { WordsInspector } from './words-inspector';

/** What can be asked of the selected part; with nothing selected, what `empty` says. */
export function Inspector(props: {
  doc: Doc;
  on(edit: Edit<Doc>): Edit<Book>;
  frames: ReadonlyMap<string, Rect>;
  reports: ReadonlyMap<string, WordsReport>;
  findings: readonly Finding[];
  added: readonly AddedScrim[];
  colours: readonly string[];
  empty: ReactNode;
}) {
  const { doc, on, frames, reports, findings, added } = props;
  const selected = useSession((s) => s.selected);
  const part = selected ? doc.parts[selected] : undefined;
  const scrim = added.find((a) => `added-${a.from}` === selected);
  const swatches = [...new Set([...coloursOf(doc), ...props.colours])].slice(0, 10);
  return (
    <aside
      aria-label="Inspector"
      className="flex h-full min-h-0 w-[288px] shrink-0 flex-col overflow-auto border-l border-line"
    >
      {part && <h2 className="px-4 pt-4 text-base font-semibold">{nameOf(part)}</h2>}
      {scrim && <h2 className="px-4 pt-4 text-base font-semibold">Scrim, from the {scrim.from}</h2>}
      {part?.kind === 'words' && (
        <WordsInspector
          key={part.id}
          part={part}
          doc={doc}
          on={on}
          frame={frames.get(part.id)}
          report={reports.get(part.id)}
          findings={findings.filter((f) => f.part === part.id)}
          swatches={swatches}
        />
      )}
      {part?.kind === 'picture' && <PictureInspector key={part.id} part={part} doc={doc} on={on} />}
      {part?.kind === 'shape' && <ShapeInspector key={part.id} part={part} doc={doc} on={on} swatches={swatches} />}
      {part?.kind === 'scrim' && <ScrimInspector key={part.id} part={part} on={on} swatches={swatches} />}
      {part?.kind === 'ground' && <GroundInspector key={part.id} part={part} on={on} swatches={swatches} />}
      {scrim && <AddedScrimInspector scrim={scrim} on={on} />}
      {!part && !scrim && props.empty}
    </aside>
  );
}
