import Dexie, { type EntityTable } from 'dexie';

/** `rev` counts writes, so that a second window notices; `order` names the history's steps, the first `done` are done. */
export type TitleRow = {
  id: string;
  schema: number;
  updatedAt: string;
  book: unknown;
  rev?: number;
  order?: number[];
  done?: number;
};
/** A title that was taken off the Shelf: its row as it was. Its steps, files and pictures stay where they are. */
export type RemovedRow = TitleRow & { removedAt: string };
export type StepRow = { id: string; title: string; step: unknown };
/** Small things a person keeps across titles: the house style, what was copied last. */
export type KeepRow = { id: string; value: unknown };
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

/** The key of a file by the id of its row, so that it is told without reading the bytes. */
export type FileKeyRow = { id: string; key: string };

/** One time that a file left: saved, packed into a zip, or sent to a store; kept for good. */
export type DeliveryRow = { id?: number; title: string; at: string; delivery: unknown };

/** What a list of titles shows of one, in step with its row; `series` finds the volumes of one. */
export type CardRow = { id: string; series: string; value: unknown };

/** The small picture of a cover, by the key of what it was painted from; it can be made again. */
export type SmallRow = { id: string; key: string; bytes: Uint8Array<ArrayBuffer> };

/** What was seen last of a title's cover, to be there at once when it is opened again; made of the rest, so it may go any time. */
export type SeenRow = { id: string; key: string; atMs: number; value: unknown };

/** A picture of a person's own, kept across titles: its bytes are an asset, its small picture (WebP or PNG) can be made again. */
export type PictureRow = { id: string; addedAt: string; removedAt?: string; value: unknown };
export type ThumbRow = { id: string; bytes: Uint8Array<ArrayBuffer> };

/** Where a database lives: the browser's own store, or another that answers to the same standard. */
export type StoreEngine = { readonly indexedDB: IDBFactory; readonly IDBKeyRange: typeof IDBKeyRange };

class Database extends Dexie {
  titles!: EntityTable<TitleRow, 'id'>;
  removed!: EntityTable<RemovedRow, 'id'>;
  assets!: EntityTable<AssetRow, 'id'>;
  files!: EntityTable<FileRow, 'id'>;
  steps!: EntityTable<StepRow, 'id'>;
  keeps!: EntityTable<KeepRow, 'id'>;
  deliveries!: EntityTable<DeliveryRow, 'id'>;
  cards!: EntityTable<CardRow, 'id'>;
  smalls!: EntityTable<SmallRow, 'id'>;
  fileKeys!: EntityTable<FileKeyRow, 'id'>;
  seen!: EntityTable<SeenRow, 'id'>;
  pictures!: EntityTable<PictureRow, 'id'>;
  thumbs!: EntityTable<ThumbRow, 'id'>;

  constructor(engine?: StoreEngine) {
    super('yosomi', engine);
    this.version(1).stores({ titles: 'id, updatedAt', assets: 'id', files: 'id, title' });
    this.version(2).stores({ steps: 'id, title', keeps: 'id' });
    this.version(3).stores({ deliveries: '++id, title' });
    this.version(4).stores({ removed: 'id, removedAt' });
    this.version(5).stores({ seen: 'id, atMs' });
    this.version(6).stores({ pictures: 'id, addedAt, removedAt', thumbs: 'id' });
    // What these lack of older rows is filled in when it is first asked for: nothing that is large is gone through to open the store.
    this.version(7).stores({ cards: 'id, series', smalls: 'id', fileKeys: 'id' });
  }
}

/** One database for the page and its workers. */
export let db = new Database();

/** Puts the database elsewhere, before anything has been read from it. */
export function moveTo(engine: StoreEngine): void {
  db = new Database(engine);
}
