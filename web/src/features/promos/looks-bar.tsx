import { findLook } from '@yosomi/core/promo';
import { Button } from '../../ui/button';
import { Chip, Chips } from '../../ui/chip';
import { FAMILY_NAMES } from './names';
import { FAMILIES_OF_LOOKS, type LooksShown } from './sheets';

/** Which looks are on the sheet. */
export function LooksBar({ shown, onShow }: { shown: LooksShown; onShow(shown: LooksShown): void }) {
  if (shown.like !== null)
    return (
      <p className="mb-4 flex items-center gap-3 text-ink">
        More like {findLook(shown.like)?.name ?? shown.like}
        <Button onClick={() => onShow({ family: null, like: null })}>Back to all looks</Button>
      </p>
    );
  return (
    <div className="mb-4">
      <Chips label="Kind of look">
        <Chip taken={shown.family === null} onTake={() => onShow({ ...shown, family: null })}>
          All
        </Chip>
        {FAMILIES_OF_LOOKS.map((family) => (
          <Chip key={family} taken={shown.family === family} onTake={() => onShow({ ...shown, family })}>
            {FAMILY_NAMES[family]}
          </Chip>
        ))}
      </Chips>
    </div>
  );
}
