import type { ComponentProps } from 'react';

type Kind = 'ink' | 'plain' | 'quiet' | 'link';

const LOOK: Record<Kind, string> = {
  ink: 'bg-ink text-card font-semibold px-4 py-2 hover:bg-black aria-disabled:bg-edge',
  plain: 'bg-card border border-edge px-3 py-1.5 font-semibold hover:border-ink aria-disabled:text-ink-3',
  quiet:
    'px-2 py-1 text-ink-2 hover:text-ink hover:bg-line/60 aria-disabled:text-ink-3/60 aria-disabled:hover:bg-transparent',
  link: 'underline underline-offset-2 hover:no-underline',
};

/**
 * A button. One that cannot be pressed now keeps the focus that it has, so that a keyboard is not thrown back to the top of
 * the page while something is made: it is marked as disabled, and does nothing.
 */
export function Button({
  kind = 'plain',
  className = '',
  disabled = false,
  onClick,
  ...props
}: ComponentProps<'button'> & { kind?: Kind }) {
  return (
    <button
      type="button"
      {...props}
      aria-disabled={disabled || undefined}
      onClick={(e) => {
        // Also keeps a form from being sent.
        if (disabled) e.preventDefault();
        else onClick?.(e);
      }}
      className={`inline-flex items-center justify-center gap-2 rounded-sm aria-disabled:cursor-default ${LOOK[kind]} ${className}`}
    />
  );
}
