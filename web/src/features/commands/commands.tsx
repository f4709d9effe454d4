import { Command } from 'cmdk';
import { Search } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { tinykeys } from 'tinykeys';
import { useSession } from '../../state/session';
import { STEPS } from '../frame/steps';

type Action = { readonly label: string; readonly keys?: string; run(): void };

/** The searchable list of commands, and the shortcuts that work everywhere in a title. */
export function Commands({ id }: { id: string }) {
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  const undo = useSession((s) => s.undo);
  const redo = useSession((s) => s.redo);
  const select = useSession((s) => s.select);
  const actions: Action[] = [
    ...STEPS.map((step, i) => ({
      label: `Go to ${step.label}`,
      keys: `Alt ${i + 1}`,
      run: () => void navigate(`/title/${id}/${step.path}`),
    })),
    { label: 'Undo', keys: 'Ctrl Z', run: undo },
    { label: 'Redo', keys: 'Ctrl Shift Z', run: redo },
    { label: 'Select nothing', keys: 'Esc', run: () => select(null) },
    { label: 'Back to the Shelf', run: () => void navigate('/') },
  ];
  useEffect(() => {
    // In a field the browser's own undo belongs to the text.
    const unlessTyping = (run: () => void) => (e: KeyboardEvent) => {
      if (e.target instanceof HTMLElement && e.target.closest('input, textarea, [contenteditable]')) return;
      e.preventDefault();
      run();
    };
    return tinykeys(window, {
      '$mod+k': (e) => {
        e.preventDefault();
        setOpen((now) => !now);
      },
      '$mod+z': unlessTyping(undo),
      '$mod+Shift+z': unlessTyping(redo),
      '$mod+y': unlessTyping(redo),
      ...Object.fromEntries(
        STEPS.map((step, i) => [
          `Alt+${i + 1}`,
          (e: KeyboardEvent) => {
            e.preventDefault();
            void navigate(`/title/${id}/${step.path}`);
          },
        ]),
      ),
    });
  }, [id, navigate, undo, redo]);
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="flex items-center gap-2 rounded-sm px-2 py-1 text-ink-2 hover:text-ink"
      >
        <Search size={14} aria-hidden />
        Find a command
        <kbd className="rounded-sm border border-line px-1 font-mono text-xs">Ctrl K</kbd>
      </button>
      <Command.Dialog
        open={open}
        onOpenChange={setOpen}
        label="Commands"
        overlayClassName="fixed inset-0 z-30 bg-ink/45"
        contentClassName="fixed top-28 left-1/2 z-30 w-[440px] -translate-x-1/2 overflow-hidden rounded-sm bg-card"
      >
        <Command.Input
          placeholder="What do you want to do?"
          className="w-full border-b border-line px-4 py-3 text-base outline-none"
        />
        <Command.List className="max-h-80 overflow-auto p-1.5">
          <Command.Empty className="px-3 py-2 text-ink-2">No command has these words.</Command.Empty>
          {actions.map((action) => (
            <Command.Item
              key={action.label}
              onSelect={() => {
                setOpen(false);
                action.run();
              }}
              className="flex cursor-pointer justify-between rounded-sm px-3 py-2 data-[selected=true]:bg-blue-wash"
            >
              {action.label}
              {action.keys && <kbd className="font-mono text-xs text-ink-2">{action.keys}</kbd>}
            </Command.Item>
          ))}
        </Command.List>
      </Command.Dialog>
    </>
  );
}
