import type { Edit } from '@yosomi/core/base';
import { onCampaign } from '@yosomi/core/project';
import type { Campaign } from '@yosomi/core/promo';
import { useCallback } from 'react';
import { useSession } from '../../state/session';

/** Changes the campaign; a `merge` joins a run of such changes into one step. */
export type SetCampaign = (label: string, edit: Edit<Campaign>, merge?: string) => boolean;

export function useCampaignEdit(id: string): SetCampaign {
  const edit = useSession((s) => s.edit);
  return useCallback((label, change, merge) => edit(label, onCampaign(id, change), merge ?? null), [edit, id]);
}
