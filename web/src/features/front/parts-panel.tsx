import type { Doc } from '@yosomi/core/cover';
import type { AddedScrim } from '@yosomi/core/compose';
import { readsGrade, readsText } from '@yosomi/core/glance';
import type { Rect } from '@yosomi/core/plane';
import type { WordsReport } from '@yosomi/core/recipe';
import { EyeOff, Link2, Lock } from 'lucide-react';
import type { ReactNode } from 'react';
import { useFrom, useSession } from '../../state/session';
import { Verdict } from '../../ui/verdict';
import { PART_GROUPS, detailOf, nameOf, partsOf } from './part-names';

/** The parts by role; choosing one selects it. */
export function PartsPanel(props: {
  doc: Doc;
  frames: ReadonlyMap<string, Rect>;
  reports: ReadonlyMap<string, WordsReport>;
  added: readonly AddedScrim[];
  children?: ReactNode;
}) {
  const { doc, frames, reports, added } = props;
  const brief = useFrom((b) => b.brief);
  const assets = useFrom((b) => b.assets);
  const selection = useSession((s) => s.selection);
  const select = useSession((s) => s.select);
  const row =
    'block w-full px-4 py-1.5 text-left border-l-3 border-transparent hover:bg-line/50 aria-pressed:border-blue aria-pressed:bg-blue-wash';
  return (
    <nav aria-label="Parts" className="flex w-[206px] shrink-0 flex-col gap-4 overflow-auto border-r border-line py-4">
      {PART_GROUPS.map((group) => {
        const parts = partsOf(doc, group, (part) => frames.get(part.id)?.y ?? 0);
        const scrims = group.kinds.includes('scrim') ? added : [];
        if (parts.length + scrims.length === 0) return null;
        return (
          <section key={group.title} aria-label={group.title}>
            <h2 className="px-4 pb-1.5 text-xs font-semibold text-ink-2">{group.title}</h2>
            {parts.map((part) => {
              const report = reports.get(part.id);
              const reads =
                report && !part.hidden
                  ? {
                      grade: readsGrade(part.kind === 'words' && part.role === 'title', report.readsFromPx),
                      text: readsText(report.readsFromPx),
                    }
                  : null;
              return (
                <button
                  key={part.id}
                  type="button"
                  aria-pressed={selection.includes(part.id)}
                  onClick={(e) => select(part.id, e.shiftKey || e.ctrlKey || e.metaKey)}
                  className={row}
                >
                  <span className="flex items-baseline justify-between gap-2">
                    <span className={`truncate font-semibold ${part.hidden ? 'text-ink-3' : ''}`}>{nameOf(part)}</span>
                    <span className="flex shrink-0 items-center gap-1 text-xs">
                      {part.hidden && <EyeOff size={12} aria-label="hidden" />}
                      {part.locked && <Lock size={12} aria-label="locked" />}
                      {part.group && <Link2 size={12} aria-label="grouped" />}
                      {reads && <Verdict grade={reads.grade}>{reads.text}</Verdict>}
                    </span>
                  </span>
                  <span className="flex items-baseline justify-between gap-2 text-xs text-ink-2">
                    <span className="truncate">{detailOf(part, brief, assets)}</span>
                    {part.opacity < 1 && part.kind !== 'scrim' && (
                      <span className="shrink-0 font-mono">{Math.round(part.opacity * 100)} %</span>
                    )}
                  </span>
                </button>
              );
            })}
            {scrims.map((scrim) => (
              <button
                key={scrim.from}
                type="button"
                aria-pressed={selection.includes(`added-${scrim.from}`)}
                onClick={() => select(`added-${scrim.from}`)}
                className={row}
              >
                <span className="flex items-baseline justify-between gap-2">
                  <span className="truncate font-semibold">Scrim, from the {scrim.from}</span>
                  <span className="shrink-0 font-mono text-xs">{Math.round(scrim.opacity * 100)} %</span>
                </span>
                <span className="block truncate text-xs text-ink-2">added so that words read</span>
              </button>
            ))}
          </section>
        );
      })}
      {props.children && <div className="px-4">{props.children}</div>}
    </nav>
  );
}
