import type { ComponentProps } from 'react';

type Kind = 'ink' | 'plain' | 'quiet' | 'link';

const LOOK: Record<Kind, string> = {
  ink: 'bg-ink text-card font-semibold px-4 py-2 hover:bg-black disabled:bg-edge',
  plain: 'bg-card border border-edge px-3 py-1.5 font-semibold hover:border-ink disabled:text-ink-3',
  quiet: 'px-2 py-1 text-ink-2 hover:text-ink hover:bg-line/60 disabled:text-ink-3/60 disabled:hover:bg-transparent',
  link: 'underline underline-offset-2 hover:no-underline',
};

export function Button({ kind = 'plain', className = '', ...props }: ComponentProps<'button'> & { kind?: Kind }) {
  return (
    <button
      type="button"
      {...props}
      className={`inline-flex items-center justify-center gap-2 rounded-sm ${LOOK[kind]} ${className}`}
    />
  );
}
