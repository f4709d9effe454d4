import { type Asset, setRights } from '@yosomi/core/project';
import { useFrom, useSession } from '../../state/session';
import { RightsAnswer } from './rights-answer';

/** The rights of a picture of this title. */
export function RightsFields({ asset }: { asset: Asset }) {
  const author = useFrom((book) => book.brief.author);
  const edit = useSession((s) => s.edit);
  return (
    <RightsAnswer
      asset={asset}
      author={author}
      onTell={(change, merge) =>
        void edit('Rights of a picture', setRights(asset.id, change), merge && `${merge}-${asset.id}`)
      }
    />
  );
}
