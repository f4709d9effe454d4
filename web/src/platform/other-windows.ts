/** What a window tells the others: a title was written, or taken off the Shelf; files of it were made; pictures of a person's own have changed. */
export type News =
  | { readonly kind: 'written'; readonly title: string; readonly rev: number }
  | { readonly kind: 'removed'; readonly title: string }
  | { readonly kind: 'made'; readonly title: string }
  | { readonly kind: 'pictures' };

const NAME = 'yosomi-titles';
let channel: BroadcastChannel | null = null;
const open = (): BroadcastChannel | null => {
  if (typeof BroadcastChannel === 'undefined') return null;
  return (channel ??= new BroadcastChannel(NAME));
};

export function tellOthers(news: News): void {
  open()?.postMessage(news);
}

function newsOf(data: unknown): News | null {
  if (typeof data !== 'object' || data === null) return null;
  const { kind, title, rev } = data as Record<string, unknown>;
  if (kind === 'pictures') return { kind };
  if (typeof title !== 'string') return null;
  if (kind === 'removed' || kind === 'made') return { kind, title };
  return kind === 'written' && typeof rev === 'number' ? { kind, title, rev } : null;
}

/** Calls back for each thing that another window tells. Answers how to stop. */
export function onOthers(call: (news: News) => void): () => void {
  const line = open();
  const hear = (event: MessageEvent): void => {
    const news = newsOf(event.data);
    if (news) call(news);
  };
  line?.addEventListener('message', hear);
  return () => line?.removeEventListener('message', hear);
}
