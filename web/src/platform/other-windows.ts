/** A title was written: other windows that have it open look again. */
export type Written = { readonly title: string; readonly rev: number };

const NAME = 'yosomi-titles';
let channel: BroadcastChannel | null = null;
const open = (): BroadcastChannel | null => {
  if (typeof BroadcastChannel === 'undefined') return null;
  return (channel ??= new BroadcastChannel(NAME));
};

export function tellOthers(written: Written): void {
  open()?.postMessage(written);
}

/** Calls back for each title that another window has written. Answers how to stop. */
export function onOthers(call: (written: Written) => void): () => void {
  const line = open();
  const hear = (event: MessageEvent): void => {
    const { title, rev } = event.data as Partial<Written>;
    if (typeof title === 'string' && typeof rev === 'number') call({ title, rev });
  };
  line?.addEventListener('message', hear);
  return () => line?.removeEventListener('message', hear);
}
