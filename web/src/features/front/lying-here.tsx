import type { Part } from '@yosomi/core/cover';
import { DropdownMenu } from 'radix-ui';
import { useFrom, useSession } from '../../state/session';
import { PartPicture } from './part-row';
import { detailOf, nameOf } from './part-names';
import { usePointed } from './pointed';

/** What lies on one another at a point of the screen, the foremost first. */
export type Lying = { readonly x: number; readonly y: number; readonly parts: readonly Part[] };

/** A list of what lies at a point, to choose what is covered. Each is shown on the cover while it is pointed at. */
export function LyingHere(props: {
  lying: Lying;
  pictures: ReadonlyMap<string, ImageBitmap> | undefined;
  onClose(): void;
}) {
  const { lying } = props;
  const select = useSession((s) => s.select);
  const brief = useFrom((b) => b.brief);
  const assets = useFrom((b) => b.assets);
  const point = usePointed((s) => s.point);
  return (
    <DropdownMenu.Root
      open
      onOpenChange={(open) => {
        if (open) return;
        point(null);
        props.onClose();
      }}
    >
      <DropdownMenu.Trigger asChild>
        <span aria-hidden className="fixed" style={{ left: lying.x, top: lying.y }} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          aria-label="What lies here, from the front"
          collisionPadding={8}
          className="z-30 max-h-[60vh] w-60 overflow-auto rounded-sm border border-edge bg-card p-1"
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            document.querySelector<HTMLElement>('[data-surface]')?.focus();
          }}
        >
          <DropdownMenu.Label className="px-2 pt-1 pb-1 text-xs font-semibold text-ink-2">
            What lies here, from the front
          </DropdownMenu.Label>
          {lying.parts.map((part) => (
            <DropdownMenu.Item
              key={part.id}
              className="flex cursor-pointer items-center gap-2.5 rounded-sm px-2 py-1 outline-none data-[highlighted]:bg-blue-wash"
              onSelect={() => select(part.id)}
              onFocus={() => point(part.id)}
            >
              <PartPicture bitmap={props.pictures?.get(part.id) ?? null} />
              <span className="min-w-0 flex-1">
                <span className="block truncate font-semibold">{nameOf(part)}</span>
                <span className="block truncate text-xs text-ink-2">{detailOf(part, brief, assets)}</span>
              </span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
