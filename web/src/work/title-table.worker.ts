import { type Result } from '@yosomi/core/base';
import { type Table, readCsv, textOfTable } from '@yosomi/core/csv';
import { MOST_ROWS } from '@yosomi/core/title-table';
import { expose } from 'comlink';
import { rowsBeside, tableOf } from '../persist/title-rows';

const api = {
  /** Faults: those of `textOfTable` and `readCsv`. */
  read(given: Uint8Array | string): Result<Table> {
    const text = typeof given === 'string' ? ({ ok: true, value: given } as const) : textOfTable(given);
    return text.ok ? readCsv(text.value, MOST_ROWS) : text;
  },
  rowsBeside,
  tableOf,
};

export type TitleTableApi = typeof api;
expose(api);
