import type { Campaign } from '@yosomi/core/promo';
import type { Others, PromoFormat } from '@yosomi/core/recipe';
import { useState } from 'react';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { TextField } from '../../ui/field';
import { Group } from '../../ui/group';
import { Segmented } from '../../ui/segmented';
import { Working } from '../../ui/working';
import { useWork } from './use-work';
import { SAVE_FORMATS, copyFormat, readLimit, saveCampaign, saveFormat } from './save-campaign';

/** Saves one format, or all of a campaign in a zip; with a limit in bytes where one is typed. */
export function SaveGroup({ campaign, others, format }: { campaign: Campaign; others: Others; format: string | null }) {
  const book = useBook();
  const [kind, setKind] = useState<PromoFormat>('png');
  const [limit, setLimit] = useState('');
  const work = useWork();
  const mostBytes = kind === 'jpeg' || kind === 'webp' ? readLimit(limit) : null;
  const wish = { format: kind, mostBytes };
  const count = campaign.formats.length;
  return (
    <Group title="Save">
      <Segmented<PromoFormat> label="File format" value={kind} options={SAVE_FORMATS} onChange={setKind} />
      {(kind === 'jpeg' || kind === 'webp') && (
        <TextField
          label="Each at most"
          placeholder="No limit, or 500 KB"
          value={limit}
          maxLength={20}
          hint={limit.trim() && mostBytes === null ? 'Type a number, such as 500 KB.' : undefined}
          onChange={setLimit}
        />
      )}
      {work.done !== null ? (
        <Working label="Making the files" done={work.done} onStop={work.stop} />
      ) : format === null ? (
        <Button
          kind="ink"
          onClick={() =>
            work.run((signal, onProgress) => saveCampaign({ book, campaign, others, wish, signal, onProgress }))
          }
        >
          {count === 1 ? 'Save it in a zip' : `Save all ${count}`}
        </Button>
      ) : (
        <>
          <Button
            kind="ink"
            onClick={() => work.run((signal) => saveFormat({ book, campaign, others, wish, signal, format }))}
          >
            Save this one
          </Button>
          <Button onClick={() => work.run((signal) => copyFormat({ book, campaign, others, signal, format }))}>
            Copy it
          </Button>
        </>
      )}
    </Group>
  );
}
