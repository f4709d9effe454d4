import { type Book, addCampaign, nextCampaignId, onCampaign, removeCampaign } from '@yosomi/core/project';
import type { Campaign } from '@yosomi/core/promo';
import { MoreHorizontal } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useSession } from '../../state/session';
import { Menu } from '../../ui/menu';
import { NameDialog } from '../../ui/name-dialog';
import { TitlesDialog } from './titles-dialog';

/** Which campaign, and what can be done with it as a whole. */
export function CampaignBar({ book, campaign, onNew }: { book: Book; campaign: Campaign; onNew(): void }) {
  const edit = useSession((s) => s.edit);
  const navigate = useNavigate();
  const [naming, setNaming] = useState<'rename' | 'copy' | null>(null);
  const [many, setMany] = useState(false);
  const open = (id: string): void => void navigate(`/title/${book.id}/promos/${id}`);
  const all = Object.values(book.promos);
  const item = 'cursor-pointer rounded-sm px-2 py-1 outline-none data-[highlighted]:bg-blue-wash';
  return (
    <div className="flex items-center gap-1">
      <div className="w-44">
        <Menu
          label="Campaign"
          value={campaign.id}
          groups={[{ title: 'Campaigns', options: all.map((one) => ({ value: one.id, label: one.name || 'Promo' })) }]}
          onChange={open}
        />
      </div>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          aria-label="Campaign as a whole"
          className="rounded-sm border border-edge bg-card p-1.5 hover:border-ink"
        >
          <MoreHorizontal size={16} aria-hidden />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="start"
            sideOffset={4}
            className="z-30 min-w-40 rounded-sm border border-edge bg-card p-1"
          >
            <DropdownMenu.Item className={item} onSelect={onNew}>
              New campaign
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => setNaming('rename')}>
              Rename
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => setNaming('copy')}>
              Copy
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => setMany(true)}>
              Save for several titles
            </DropdownMenu.Item>
            <DropdownMenu.Item
              className={item}
              onSelect={() => {
                if (!edit('Remove a campaign', removeCampaign(campaign.id))) return;
                void navigate(`/title/${book.id}/promos`);
              }}
            >
              Remove
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {many && <TitlesDialog book={book} campaign={campaign} onClose={() => setMany(false)} />}
      {naming && (
        <NameDialog
          title={naming === 'rename' ? 'Rename the campaign' : 'Copy the campaign'}
          description="The name is part of its file names."
          label="Name"
          usual={naming === 'rename' ? campaign.name : `${campaign.name} again`}
          onClose={() => setNaming(null)}
          onKeep={(name) => {
            setNaming(null);
            if (naming === 'copy') {
              const id = nextCampaignId(book);
              if (edit('Copy a campaign', addCampaign(name, campaign))) open(id);
              return;
            }
            edit(
              'Rename a campaign',
              onCampaign(campaign.id, (one) => {
                one.name = name;
              }),
            );
          }}
        />
      )}
    </div>
  );
}
