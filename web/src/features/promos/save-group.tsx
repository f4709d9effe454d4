import type { Campaign } from '@yosomi/core/promo';
import type { Others, PromoFormat } from '@yosomi/core/recipe';
import { useEffect, useRef, useState } from 'react';
import { sayFault } from '../../messages/say';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { TextField } from '../../ui/field';
import { Group } from '../../ui/group';
import { Segmented } from '../../ui/segmented';
import { Working } from '../../ui/working';
import { SAVE_FORMATS, copyFormat, readLimit, saveCampaign, saveFormat } from './save-campaign';

/** Saves one format, or all of a campaign in a zip; with a limit in bytes where one is typed. */
export function SaveGroup({ campaign, others, format }: { campaign: Campaign; others: Others; format: string | null }) {
  const book = useBook();
  const [kind, setKind] = useState<PromoFormat>('png');
  const [limit, setLimit] = useState('');
  const [done, setDone] = useState<number | null>(null);
  const abort = useRef<AbortController | null>(null);
  useEffect(() => () => abort.current?.abort(), []);
  const mostBytes = kind === 'jpeg' || kind === 'webp' ? readLimit(limit) : null;
  const run = async (job: (signal: AbortSignal) => Promise<void>): Promise<void> => {
    const { signal } = (abort.current = new AbortController());
    setDone(0);
    try {
      await job(signal);
    } catch {
      if (!signal.aborted) sayFault({ code: 'work-failed', data: {} });
    } finally {
      setDone(null);
    }
  };
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
      {done !== null ? (
        <Working label="Making the files" done={done} onStop={() => abort.current?.abort()} />
      ) : format === null ? (
        <Button
          kind="ink"
          onClick={() =>
            void run((signal) => saveCampaign({ book, campaign, others, wish, signal, onProgress: setDone }))
          }
        >
          {count === 1 ? 'Save it in a zip' : `Save all ${count}`}
        </Button>
      ) : (
        <>
          <Button
            kind="ink"
            onClick={() => void run((signal) => saveFormat({ book, campaign, others, wish, signal, format }))}
          >
            Save this one
          </Button>
          <Button onClick={() => void run((signal) => copyFormat({ book, campaign, others, signal, format }))}>
            Copy it
          </Button>
        </>
      )}
    </Group>
  );
}
