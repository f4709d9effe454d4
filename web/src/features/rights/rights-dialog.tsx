import { useFrom } from '../../state/session';
import { Dialog } from '../../ui/dialog';
import { RightsFields } from './rights-fields';

/** The question of a picture's rights; nothing where the title does not know the picture. */
export function RightsDialog({ id, onClose }: { id: string; onClose(): void }) {
  const asset = useFrom((book) => book.assets[id]);
  return asset ? (
    <Dialog
      open
      onClose={onClose}
      title={`Rights of “${asset.name}”`}
      description="By which right it is used, and what its licence asks for."
    >
      <RightsFields asset={asset} />
    </Dialog>
  ) : null;
}
