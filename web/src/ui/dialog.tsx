import { Dialog as Radix } from 'radix-ui';
import { type ReactNode, useLayoutEffect, useRef } from 'react';
import { X } from 'lucide-react';
import { focusOn, opener } from './opener';

const SIZES = {
  plain: 'max-h-[88vh] w-[min(460px,calc(100vw-24px))]',
  wide: 'max-h-[88vh] w-[min(720px,calc(100vw-24px))]',
  full: 'h-[calc(100vh-32px)] w-[min(1560px,calc(100vw-32px))]',
} as const;

export function Dialog(props: {
  open: boolean;
  onClose(): void;
  title: string;
  description?: string;
  children: ReactNode;
  wide?: boolean;
  /** As large as the window: something is looked through. */
  full?: boolean;
}) {
  const from = useRef<HTMLElement | null>(null);
  // A field that takes the focus by itself has it already here; what opened the dialog is outside of it.
  useLayoutEffect(() => {
    if (props.open) from.current = opener();
  }, [props.open]);
  return (
    <Radix.Root open={props.open} onOpenChange={(open) => !open && props.onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-20 bg-ink/45" />
        <Radix.Content
          onEscapeKeyDown={(e) => {
            // Escape takes back what is being typed first.
            if (e.target instanceof Element && e.target.closest('[data-typing]')) e.preventDefault();
          }}
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            focusOn(from.current);
          }}
          className={`fixed top-1/2 left-1/2 z-20 flex -translate-x-1/2 -translate-y-1/2 flex-col gap-4 overflow-auto rounded-sm bg-paper p-6 ${SIZES[props.full ? 'full' : props.wide ? 'wide' : 'plain']}`}
        >
          <div className="flex items-start justify-between gap-4">
            <Radix.Title className="text-lg font-semibold">{props.title}</Radix.Title>
            <Radix.Close aria-label="Close" className="rounded-sm p-1 text-ink-2 hover:text-ink">
              <X size={18} />
            </Radix.Close>
          </div>
          <Radix.Description className={props.description ? '-mt-2 text-ink-2' : 'sr-only'}>
            {props.description ?? props.title}
          </Radix.Description>
          {props.children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
