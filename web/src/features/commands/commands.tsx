import { Command } from 'cmdk';
import { Search } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { tinykeys } from 'tinykeys';
import { type Action, keysOf, useActions } from '../../state/actions';
import { useSession } from '../../state/session';
import { STEPS } from '../frame/steps';
import { useLengths } from '../../ui/lengths';
import { focusOn, opener } from '../../ui/opener';
import { FRONT_DIALOGS } from '../front/front-dialogs';
import { GlossarySheet } from './glossary-sheet';
import { rank } from './rank';
import { ShortcutSheet } from './shortcut-sheet';

const NOTHING = { label: '', group: '' };

/** The pages of Deliver that are no step of their own. */
const DELIVER = [
  { path: 'stores', label: 'See what each store asks', also: 'requirements demands retailers shops' },
  { path: 'check', label: 'Check a cover, an EPUB or a PDF', also: 'validate verify test file repair' },
  { path: 'reader', label: 'See the ebook in a reader', also: 'device tablet phone preview' },
] as const;

/** The searchable list of everything that can be done now, and the keys for it. */
export function Commands({ id }: { id: string }) {
  const [open, setOpen] = useState(false);
  const [sheet, setSheet] = useState<'shortcuts' | 'glossary' | null>(null);
  const navigate = useNavigate();
  const undo = useSession((s) => s.undo);
  const redo = useSession((s) => s.redo);
  const lists = useActions((s) => s.lists);
  const lengths = useLengths();
  // The list goes away without a word of where the focus was.
  useEffect(() => {
    if (!open) return;
    const from = opener();
    return () =>
      void requestAnimationFrame(() => {
        if (document.activeElement === document.body) focusOn(from);
      });
  }, [open]);
  const actions = useMemo<Action[]>(() => {
    const here = Object.values(lists).flat();
    return [
      ...STEPS.map((step) => ({
        id: `go-${step.path}`,
        label: `Go to ${step.label}`,
        also: step.also,
        group: 'Steps',
        combos: [`Alt+${step.key}`],
        run: () => void navigate(`/title/${id}/${step.path}`),
      })),
      {
        id: 'photograph',
        label: 'Put the cover on a photograph',
        also: 'photo pin picture real',
        group: 'Steps',
        run: () => void navigate(`/title/${id}/mockups/photograph`),
      },
      ...DELIVER.map(({ path, label, also }) => ({
        id: path,
        label,
        also,
        group: 'Deliver',
        run: () => void navigate(`/title/${id}/deliver/${path}`),
      })),
      {
        id: 'lengths',
        label: lengths.unit === 'mm' ? 'Show lengths in inches' : 'Show lengths in millimetres',
        also: 'units measure inches mm cm metric imperial',
        group: 'Steps',
        run: () => lengths.set(lengths.unit === 'mm' ? 'in' : 'mm'),
      },
      {
        id: 'shelf',
        label: 'Back to the Shelf',
        also: 'home titles library books close',
        group: 'Steps',
        combos: ['Alt+0'],
        run: () => void navigate('/'),
      },
      { id: 'undo', label: 'Undo', also: 'back revert', group: 'Steps', combos: ['$mod+z'], run: undo },
      {
        id: 'redo',
        label: 'Redo',
        also: 'again repeat',
        group: 'Steps',
        combos: ['$mod+Shift+z', '$mod+y'],
        run: redo,
      },
      { id: 'find', label: 'Find a command', group: 'Steps', combos: ['$mod+k'], run: () => setOpen((now) => !now) },
      {
        id: 'sheet',
        label: 'Show the shortcuts',
        also: 'keys keyboard help',
        group: 'Steps',
        combos: ['F1'],
        run: () => setSheet('shortcuts'),
      },
      {
        id: 'glossary',
        label: 'What the words mean',
        also: 'glossary terms explain dictionary',
        group: 'Steps',
        run: () => setSheet('glossary'),
      },
      ...here,
      // What the Front opens is found from every step.
      ...FRONT_DIALOGS.filter((one) => !here.some((action) => action.id === one.id)).map(
        ({ id: open, label, also }) => ({
          id: open,
          label,
          also,
          group: 'Cover',
          run: () => void navigate(`/title/${id}/front`, { state: { open } }),
        }),
      ),
    ];
  }, [id, navigate, undo, redo, lists, lengths]);
  const byId = useMemo(() => new Map(actions.map((action) => [action.id, action])), [actions]);
  useEffect(() => {
    const bindings: Record<string, (e: KeyboardEvent) => void> = {};
    for (const action of actions) {
      for (const combo of action.combos ?? []) {
        bindings[combo] = (e) => {
          // In a field, a menu or a dialog keys belong to what is there; only those that lead elsewhere pass.
          const at = e.target instanceof HTMLElement ? e.target : null;
          const within = at?.closest('[role="menu"], [role="listbox"], [role="dialog"]');
          // What is ticked takes no text: keys with Ctrl mean the title there too.
          const ticked = at?.matches('input[type="checkbox"], input[type="radio"]') && combo.startsWith('$mod');
          const taken = within || (!ticked && at?.closest('input, textarea, [contenteditable]'));
          if (taken && !/^(Alt\+|F1|\$mod\+k)/.test(combo)) return;
          // A button that has the focus is pressed by these itself.
          if (at?.closest('button, a, [role="slider"], [role="radio"]') && /^(Enter|Space| )$/.test(combo)) return;
          e.preventDefault();
          action.run();
        };
      }
    }
    return tinykeys(window, bindings);
  }, [actions]);
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="flex items-center gap-2 rounded-sm px-2 py-1 text-ink-2 hover:text-ink"
      >
        <Search size={14} aria-hidden />
        <span className="sr-only min-[1000px]:not-sr-only">Find a command</span>
        <kbd className="hidden rounded-sm border border-line px-1 font-mono text-xs min-[1000px]:inline">Ctrl K</kbd>
      </button>
      <Command.Dialog
        open={open}
        onOpenChange={setOpen}
        label="Commands"
        filter={(id, typed) => rank(byId.get(id) ?? NOTHING, typed)}
        overlayClassName="fixed inset-0 z-30 bg-ink/45"
        contentClassName="fixed top-[min(7rem,12vh)] left-1/2 z-30 w-[min(440px,calc(100vw-24px))] -translate-x-1/2 overflow-hidden rounded-sm bg-card"
      >
        <Command.Input
          placeholder="What do you want to do?"
          className="w-full border-b border-line px-4 py-3 text-base outline-none"
        />
        <Command.List className="max-h-[min(20rem,60vh)] overflow-auto p-1.5">
          <Command.Empty className="px-3 py-2 text-ink-2">No command has these words.</Command.Empty>
          {actions.map((action) => (
            <Command.Item
              key={action.id}
              value={action.id}
              onSelect={() => {
                setOpen(false);
                action.run();
              }}
              className="flex cursor-pointer justify-between rounded-sm px-3 py-2 data-[selected=true]:bg-blue-wash"
            >
              {action.label}
              {action.combos && <kbd className="font-mono text-xs text-ink-2">{keysOf(action.combos[0])}</kbd>}
            </Command.Item>
          ))}
        </Command.List>
      </Command.Dialog>
      <ShortcutSheet open={sheet === 'shortcuts'} onClose={() => setSheet(null)} actions={actions} />
      <GlossarySheet open={sheet === 'glossary'} onClose={() => setSheet(null)} />
    </>
  );
}
