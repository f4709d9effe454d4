import Dexie, { type EntityTable } from 'dexie';

export type TitleRow = { id: string; schema: number; updatedAt: string; book: unknown };
export type AssetRow = { id: string; bytes: Uint8Array<ArrayBuffer> };
export type FileRow = {
  id: string;
  title: string;
  key: string;
  name: string;
  type: string;
  madeAt: string;
  findings: unknown;
  bytes: Uint8Array<ArrayBuffer>;
};

class Database extends Dexie {
  titles!: EntityTable<TitleRow, 'id'>;
  assets!: EntityTable<AssetRow, 'id'>;
  files!: EntityTable<FileRow, 'id'>;

  constructor() {
    super('yosomi');
    this.version(1).stores({ titles: 'id, updatedAt', assets: 'id', files: 'id, title' });
  }
}

/** One database for the page and its workers. */
export const db = new Database();
