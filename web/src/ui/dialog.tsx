import { Dialog as Radix } from 'radix-ui';
import { type ReactNode, useRef } from 'react';
import { X } from 'lucide-react';
import { focusOn, opener } from './opener';

export function Dialog(props: {
  open: boolean;
  onClose(): void;
  title: string;
  description?: string;
  children: ReactNode;
  wide?: boolean;
}) {
  const from = useRef<HTMLElement | null>(null);
  return (
    <Radix.Root open={props.open} onOpenChange={(open) => !open && props.onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-20 bg-ink/45" />
        <Radix.Content
          onOpenAutoFocus={() => void (from.current = opener())}
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            focusOn(from.current);
          }}
          className={`fixed top-1/2 left-1/2 z-20 flex max-h-[88vh] -translate-x-1/2 -translate-y-1/2 flex-col gap-4 overflow-auto rounded-sm bg-paper p-6 ${props.wide ? 'w-[min(720px,calc(100vw-24px))]' : 'w-[min(460px,calc(100vw-24px))]'}`}
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
