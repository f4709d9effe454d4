import { Tooltip } from 'radix-ui';
import type { ReactNode } from 'react';

/** Names a control and its shortcut on hover and focus. */
export function Tip({ text, keys, children }: { text: string; keys?: string; children: ReactNode }) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
          sideOffset={6}
          className="z-40 flex items-center gap-2 rounded-sm bg-ink px-2.5 py-1.5 text-card"
        >
          {text}
          {keys && <kbd className="rounded-sm border border-card/40 px-1 font-mono text-xs">{keys}</kbd>}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}
