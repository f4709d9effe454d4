import { Select as Radix } from 'radix-ui';
import { Check, ChevronDown } from 'lucide-react';
import type { CSSProperties } from 'react';

export type MenuOption = { value: string; label: string; style?: CSSProperties; sample?: string };
export type MenuGroup = { title: string; options: readonly MenuOption[] };

/** One choice of many, in named groups. */
export function Menu(props: {
  label: string;
  value: string;
  /** Several things have values of their own. */
  mixed?: boolean;
  groups: readonly MenuGroup[];
  onChange(value: string): void;
  onOpen?(): void;
}) {
  const now = props.groups.flatMap((g) => g.options).find((o) => o.value === props.value);
  return (
    <Radix.Root
      value={props.mixed ? '' : props.value}
      onValueChange={props.onChange}
      onOpenChange={(open) => open && props.onOpen?.()}
    >
      <Radix.Trigger
        aria-label={props.label}
        className="flex w-full items-center justify-between gap-2 rounded-sm border border-edge bg-card px-2.5 py-1.5 text-left hover:border-ink"
      >
        <span className={`truncate ${props.mixed ? 'text-ink-2' : ''}`} style={props.mixed ? undefined : now?.style}>
          <Radix.Value>{props.mixed ? 'mixed' : (now?.label ?? props.value)}</Radix.Value>
        </span>
        <ChevronDown size={14} className="shrink-0 text-ink-3" />
      </Radix.Trigger>
      <Radix.Portal>
        <Radix.Content
          position="popper"
          sideOffset={4}
          className="z-30 max-h-[60vh] w-80 overflow-hidden rounded-sm border border-edge bg-card"
        >
          <Radix.Viewport className="p-1">
            {props.groups.map((group) => (
              <Radix.Group key={group.title}>
                <Radix.Label className="px-2 pt-2 pb-1 text-xs font-semibold text-ink-2">{group.title}</Radix.Label>
                {group.options.map((option) => (
                  <Radix.Item
                    key={option.value}
                    value={option.value}
                    className="flex cursor-pointer items-center justify-between gap-2 rounded-sm px-2 py-1 outline-none data-[highlighted]:bg-blue-wash"
                  >
                    <span className="flex min-w-0 flex-col">
                      <Radix.ItemText>{option.label}</Radix.ItemText>
                      {option.sample && (
                        <span className="truncate text-lg" style={option.style} aria-hidden>
                          {option.sample}
                        </span>
                      )}
                    </span>
                    <Radix.ItemIndicator>
                      <Check size={14} />
                    </Radix.ItemIndicator>
                  </Radix.Item>
                ))}
              </Radix.Group>
            ))}
          </Radix.Viewport>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
