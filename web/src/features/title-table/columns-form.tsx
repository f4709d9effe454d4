import { COLUMNS, type Column, type Mapping, mappedAs } from '@yosomi/core/title-table';
import { memo } from 'react';
import { Menu } from '../../ui/menu';
import type { TableHead } from '../../work/title-table';
import { COLUMN_NAMES } from './names';

const NONE = 'none';
const GROUPS = [
  { title: 'Not read', options: [{ value: NONE, label: 'Left out' }] },
  { title: 'What it says', options: COLUMNS.map((column) => ({ value: column, label: COLUMN_NAMES[column] })) },
];

/** What each column of the table is: its head, what stands under it first, and a choice. */
export const ColumnsForm = memo(function ColumnsForm(props: {
  table: TableHead;
  mapping: Mapping;
  onChange(mapping: Mapping): void;
}) {
  const { table, mapping, onChange } = props;
  return (
    <ul aria-label="Columns" className="flex flex-col gap-2.5">
      {mapping.map((column, at) => {
        const head = table.head[at] || `Column ${at + 1}`;
        const sample = table.first[at];
        return (
          <li key={at} className="grid grid-cols-2 items-center gap-x-3">
            <span className="min-w-0" title={sample}>
              <span className={`block truncate font-semibold ${column === null ? 'text-ink-2' : ''}`}>{head}</span>
              <span className="block truncate text-xs text-ink-2">{sample || 'Empty'}</span>
            </span>
            <Menu
              label={`What the column “${head}” is`}
              value={column ?? NONE}
              groups={GROUPS}
              onChange={(next) => onChange(mappedAs(mapping, at, next === NONE ? null : (next as Column)))}
            />
          </li>
        );
      })}
    </ul>
  );
});
