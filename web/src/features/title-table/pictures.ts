import type { RowBeside } from '../../persist/title-rows';

const plain = (name: string): string =>
  name
    .replace(/^.*[\\/]/, '')
    .normalize('NFC')
    .toLowerCase();
const stem = (name: string): string => plain(name).replace(/\.[a-z]{3,4}$/, '');

/** Picture files by the names that rows give them: the whole name, else the name without its ending. */
export class Pictures {
  readonly #whole = new Map<string, File>();
  readonly #stems = new Map<string, File>();

  constructor(readonly files: readonly File[] = []) {
    for (const file of files) {
      this.#whole.set(plain(file.name), file);
      this.#stems.set(stem(file.name), file);
    }
  }
  with = (more: readonly File[]): Pictures => new Pictures([...this.files, ...more]);
  named = (name: string): File | null => this.#whole.get(plain(name)) ?? this.#stems.get(stem(name)) ?? null;
}

/** Names of pictures that new titles ask for, each once. */
export const picturesNamed = (rows: readonly RowBeside[]): string[] => [
  ...new Set(
    rows.flatMap(({ row, standing }) => (standing.kind === 'new' && row.picture !== null ? [row.picture] : [])),
  ),
];
