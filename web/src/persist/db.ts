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

/** One time that a file left: saved, packed into a zip, or sent to a store; kept for good. */
export type DeliveryRow = { id?: number; title: string; at: string; delivery: unknown };

class Database extends Dexie {
  titles!: EntityTable<TitleRow, 'id'>;
  assets!: EntityTable<AssetRow, 'id'>;
  files!: EntityTable<FileRow, 'id'>;
  steps!: EntityTable<StepRow, 'id'>;
  keeps!: EntityTable<KeepRow, 'id'>;
  deliveries!: EntityTable<DeliveryRow, 'id'>;

  constructor() {
    super('yosomi');
    this.version(1).stores({ titles: 'id, updatedAt', assets: 'id', files: 'id, title' });
    this.version(2).stores({ steps: 'id, title', keeps: 'id' });
    this.version(3).stores({ deliveries: '++id, title' });
  }
}

/** One database for the page and its workers. */
export const db = new Database();
