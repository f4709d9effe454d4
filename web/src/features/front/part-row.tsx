import { useSortable } from '@dnd-kit/sortable';
import { type AddedScrim } from '@yosomi/core/compose';
import type { Part } from '@yosomi/core/cover';
import { readsGrade, readsText } from '@yosomi/core/glance';
import type { WordsReport } from '@yosomi/core/recipe';
import { ChevronDown, ChevronRight, Eye, EyeOff, Lock, LockOpen } from 'lucide-react';
import {
  type CSSProperties,
  type KeyboardEvent,
  type MouseEvent,
  type ReactNode,
  useEffect,
  useRef,
  useState,
} from 'react';
import { useFrom } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import { Verdict } from '../../ui/verdict';
import { detailOf, nameOf } from './part-names';
import { usePointed } from './pointed';

type Same = {
  id: string;
  chosen: boolean;
  reached: boolean;
  onChoose(e: MouseEvent): void;
  /** The keys of the list, wherever in a row they are pressed. */
  onKeyDown(e: KeyboardEvent): void;
  onSwitch(field: 'hidden' | 'locked', to: boolean): void;
};

/** A row that can be carried; pointing at it shows on the cover what it is. */
function Carried(props: Same & { ids: readonly string[]; fixed?: boolean; children: ReactNode }) {
  const { id, chosen, fixed = false } = props;
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id, disabled: fixed });
  const pointed = usePointed((s) => s.id !== null && props.ids.includes(s.id));
  const point = usePointed((s) => s.point);
  const style: CSSProperties = {
    transform: transform ? `translateY(${Math.round(transform.y)}px)` : undefined,
    transition,
    zIndex: isDragging ? 1 : undefined,
  };
  const look = chosen
    ? 'border-blue bg-blue-wash'
    : pointed
      ? 'border-blue-pale bg-line/50'
      : 'border-transparent bg-paper';
  return (
    <li
      ref={setNodeRef}
      data-row={id}
      style={style}
      {...listeners}
      onPointerEnter={() => point(props.ids[0] ?? null)}
      onPointerLeave={() => point(null)}
      className={`group/row relative flex border-l-3 ${look} ${isDragging ? 'opacity-80 shadow-cover' : ''}`}
    >
      {props.children}
    </li>
  );
}

/** Hides and locks: there when it is so, and while the row is pointed at or has the focus. */
function Switches(
  props: Pick<Same, 'reached' | 'onSwitch' | 'onKeyDown'> & {
    name: string;
    hidden: boolean;
    locked: boolean;
    ground: boolean;
  },
) {
  const { name, hidden, locked } = props;
  const one = (field: 'hidden' | 'locked', on: boolean, verb: string, icon: ReactNode) => (
    <button
      type="button"
      tabIndex={props.reached ? 0 : -1}
      aria-label={`${verb} ${name}`}
      title={verb}
      className={`rounded-sm p-0.5 text-ink-2 hover:bg-line hover:text-ink focus-visible:opacity-100 ${on ? '' : 'opacity-0 group-hover/row:opacity-100 group-focus-within/row:opacity-100'}`}
      onClick={() => props.onSwitch(field, !on)}
      onKeyDown={props.onKeyDown}
    >
      {icon}
    </button>
  );
  return (
    <span className="absolute right-2 bottom-1 flex gap-0.5">
      {!props.ground &&
        one('hidden', hidden, hidden ? 'Show' : 'Hide', hidden ? <EyeOff size={13} /> : <Eye size={13} />)}
      {one('locked', locked, locked ? 'Unlock' : 'Lock', locked ? <Lock size={13} /> : <LockOpen size={13} />)}
    </span>
  );
}

const MAIN = 'flex min-w-0 flex-1 items-center gap-2 py-1.5 pr-2.5 text-left';

/** What chooses a row, and where its keys are pressed. */
function MainButton(props: { row: Same; className: string; onRename?(): void; children: ReactNode }) {
  const { row } = props;
  return (
    <button
      type="button"
      data-main
      onKeyDown={row.onKeyDown}
      aria-pressed={row.chosen}
      tabIndex={row.reached ? 0 : -1}
      onClick={row.onChoose}
      onDoubleClick={props.onRename}
      className={`${MAIN} ${props.className}`}
    >
      {props.children}
    </button>
  );
}

type Naming = {
  renaming: boolean;
  onRename(): void;
  /** An empty name gives the usual one back; null leaves the name as it is. */
  onNamed(name: string | null): void;
};

export function PartRow(
  props: Same &
    Naming & {
      part: Part;
      inGroup: boolean;
      picture: ImageBitmap | null;
      report: WordsReport | undefined;
    },
) {
  const { part, report, reached, picture } = props;
  const brief = useFrom((b) => b.brief);
  const assets = useFrom((b) => b.assets);
  const name = nameOf(part);
  const title = part.kind === 'words' && part.role === 'title';
  const switches = (part.hidden ? 1 : 0) + (part.locked ? 1 : 0);
  return (
    <Carried {...props} ids={[part.id]} fixed={part.kind === 'ground' || props.renaming}>
      {props.renaming ? (
        <span className={`${MAIN} pl-2.5`}>
          <PartPicture bitmap={picture} />
          <NameField name={name} usual={nameOf({ ...part, name: '' })} onNamed={props.onNamed} />
        </span>
      ) : (
        <MainButton row={props} onRename={props.onRename} className={props.inGroup ? 'pl-6' : 'pl-2.5'}>
          <PartPicture bitmap={picture} faint={part.hidden} />
          <span className="min-w-0 flex-1">
            <span className="flex items-baseline justify-between gap-1">
              <span className={`truncate font-semibold ${part.hidden ? 'text-ink-3' : ''}`}>{name}</span>
              {report && !part.hidden && (
                <span className="shrink-0 text-xs">
                  <Verdict grade={readsGrade(title, report.readsFromPx)}>{readsText(report.readsFromPx)}</Verdict>
                </span>
              )}
            </span>
            <span
              className="block truncate text-xs text-ink-2 group-focus-within/row:pr-9 group-hover/row:pr-9"
              style={{ paddingRight: switches > 0 ? 18 * (part.locked && !part.hidden ? 1 : 2) : undefined }}
            >
              {detailOf(part, brief, assets)}
            </span>
            {part.hidden && <span className="sr-only">, hidden</span>}
            {part.locked && <span className="sr-only">, locked</span>}
          </span>
        </MainButton>
      )}
      {!props.renaming && (
        <Switches
          name={name}
          hidden={part.hidden}
          locked={part.locked}
          reached={reached}
          ground={part.kind === 'ground'}
          onSwitch={props.onSwitch}
          onKeyDown={props.onKeyDown}
        />
      )}
    </Carried>
  );
}

/** A group as one row that folds. */
export function GroupRow(
  props: Same &
    Naming & {
      parts: readonly Part[];
      /** What a person calls it; empty where it has no name. */
      called: string;
      open: boolean;
      onFold(): void;
    },
) {
  const { parts, called, open, reached } = props;
  const usual = `Group of ${parts.length}`;
  const name = called || usual;
  const Icon = open ? ChevronDown : ChevronRight;
  return (
    <Carried {...props} ids={parts.map(({ id }) => id)} fixed={props.renaming}>
      <button
        type="button"
        tabIndex={-1}
        aria-label={open ? 'Fold' : 'Unfold'}
        aria-expanded={open}
        title={open ? 'Fold' : 'Unfold'}
        onClick={props.onFold}
        className="pl-2 text-ink-2 hover:text-ink"
      >
        <Icon size={14} />
      </button>
      {props.renaming ? (
        <span className={`${MAIN} pl-1.5`}>
          <NameField name={name} usual={usual} onNamed={props.onNamed} />
        </span>
      ) : (
        <>
          <MainButton row={props} onRename={props.onRename} className="pl-1.5">
            <span className="min-w-0 flex-1">
              <span className="block truncate font-semibold">{name}</span>
              <span className="block truncate text-xs text-ink-2 group-focus-within/row:pr-9 group-hover/row:pr-9">
                {parts.map(nameOf).join(', ')}
              </span>
            </span>
          </MainButton>
          <Switches
            name={called || usual.toLowerCase()}
            hidden={parts.every((part) => part.hidden)}
            locked={parts.every((part) => part.locked)}
            reached={reached}
            ground={false}
            onSwitch={props.onSwitch}
            onKeyDown={props.onKeyDown}
          />
        </>
      )}
    </Carried>
  );
}

/** A scrim that was added so that words read: it lies where it must. */
export function ScrimRow(props: Same & { scrim: AddedScrim }) {
  const { scrim } = props;
  return (
    <Carried {...props} ids={[]} fixed>
      <MainButton row={props} className="pl-2.5">
        <span
          aria-hidden
          className="size-[30px] shrink-0 rounded-xs"
          style={{ background: `linear-gradient(${FALLS[scrim.from]}, ${scrim.colour}, #8b8c8b)` }}
        />
        <span className="min-w-0 flex-1">
          <span className="flex items-baseline justify-between gap-1.5">
            <span className="truncate font-semibold">Scrim, from the {scrim.from}</span>
            <span className="shrink-0 font-mono text-xs">{Math.round(scrim.opacity * 100)} %</span>
          </span>
          <span className="block truncate text-xs text-ink-2">added so that words read</span>
        </span>
      </MainButton>
    </Carried>
  );
}

const FALLS = { top: 'to bottom', bottom: 'to top', left: 'to right', right: 'to left' } as const;

/** A part by itself on the grey of the light table, where dark and pale ones are seen alike. */
export function PartPicture({ bitmap, faint = false }: { bitmap: ImageBitmap | null; faint?: boolean }) {
  return (
    <span
      aria-hidden
      className={`flex size-[30px] shrink-0 items-center justify-center rounded-xs bg-table ${faint ? 'opacity-40' : ''}`}
    >
      {bitmap && (
        <Bitmap
          bitmap={bitmap}
          label=""
          style={{ width: bitmap.width / 2, height: bitmap.height / 2, maxWidth: 30, maxHeight: 30 }}
        />
      )}
    </span>
  );
}

/** `usual` is what a thing is called as long as nobody names it. */
function NameField(props: { name: string; usual: string; onNamed(name: string | null): void }) {
  const { name: now, usual, onNamed } = props;
  const [text, setText] = useState(now);
  const field = useRef<HTMLInputElement>(null);
  // The person has just asked to type here.
  useEffect(() => field.current?.focus(), []);
  const done = (): void => {
    const name = text.trim();
    onNamed(name === usual ? '' : name);
  };
  return (
    <input
      ref={field}
      aria-label={`Name of ${usual.toLowerCase()}`}
      value={text}
      placeholder={usual}
      maxLength={60}
      onFocus={(e) => e.target.select()}
      onChange={(e) => setText(e.target.value)}
      onBlur={done}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === 'Enter') done();
        if (e.key === 'Escape') onNamed(null);
      }}
      className="w-full min-w-0 rounded-sm border border-edge bg-card px-1.5 py-1"
    />
  );
}
