/** What a worker asks the page for where the browser keeps nothing: the bytes of a row. */
type Question = { readonly kind: 'ask'; readonly table: 'assets' | 'files'; readonly id: string };
type Answer = { readonly kind: 'answer'; readonly of: string; readonly bytes: Uint8Array<ArrayBuffer> | null };

const NAME = 'yosomi-bytes';
const LATEST_MS = 1000;

/** A new end of the line between the page and its workers. */
const openLine = (): BroadcastChannel => new BroadcastChannel(NAME);

const nameOf = ({ table, id }: Question): string => `${table}/${id}`;

/** Answers workers. `find` gives the bytes of a row; null where they are not. */
export function answerWorkers(find: (table: Question['table'], id: string) => Promise<Answer['bytes']>): void {
  if (typeof BroadcastChannel === 'undefined') return;
  const line = openLine();
  const send = (answer: Answer): void => void line.postMessage.call(line, answer);
  line.addEventListener('message', (event: MessageEvent<Question | Answer>) => {
    const asked = event.data;
    if (asked?.kind !== 'ask') return;
    void find(asked.table, asked.id)
      .catch(() => null)
      .then((bytes) => send({ kind: 'answer', of: nameOf(asked), bytes }));
  });
}

/** Asks the page for the bytes of a row; null where no page has them. */
export function askPage(table: Question['table'], id: string): Promise<Answer['bytes']> {
  if (typeof BroadcastChannel === 'undefined') return Promise.resolve(null);
  const line = openLine();
  const question: Question = { kind: 'ask', table, id };
  return new Promise<Answer['bytes']>((resolve) => {
    const late = setTimeout(() => resolve(null), LATEST_MS);
    line.addEventListener('message', (event: MessageEvent<Question | Answer>) => {
      const answer = event.data;
      if (answer?.kind !== 'answer' || answer.of !== nameOf(question)) return;
      clearTimeout(late);
      resolve(answer.bytes);
    });
    line.postMessage.call(line, question);
  }).finally(() => line.close());
}
