import type { Brief } from '@yosomi/core/book';
import {
  type Manner,
  type NameChange,
  type NameHit,
  type NameKind,
  type NamePlace,
  type NamesFound,
  NAME_KINDS,
} from '@yosomi/core/renaming';
import { useState } from 'react';
import { sentenceOf } from '../../messages/sentences';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { TextField } from '../../ui/field';
import type { OldNames } from './use-old-names';

const KINDS: Readonly<Record<NameKind, string>> = {
  title: 'Title',
  author: 'Author',
  publisher: 'Publisher',
  site: 'Site',
  mail: 'Mail address',
};
const PLACES: Readonly<Record<NamePlace, string>> = {
  text: 'text',
  heading: 'heading',
  'page-title': 'title of a page',
  alt: 'text for a picture',
  link: 'link',
  contents: 'contents',
  metadata: 'what the book says of itself',
};
const MANNERS: Readonly<Record<Manner, string>> = {
  whole: '',
  case: 'other capitals',
  word: 'may be an ordinary word',
  inflected: 'with an ending',
  turned: 'surname first',
  initials: 'with initials',
  part: 'part of the name',
  page: 'a page of the site',
  at: 'a mail address at the site',
};

/** A name as it is typed: what is looked for, and what comes instead. */
export type Row = { readonly kind: NameKind; readonly from: string; readonly to: string };

/** Names that a book has, each with the title's own in its place. */
export function rowsFor(names: readonly Omit<NameChange, 'to'>[], brief: Brief): Row[] {
  const own: Readonly<Record<NameKind, string>> = {
    title: brief.title,
    author: brief.author,
    publisher: brief.publisher,
    site: brief.website,
    mail: '',
  };
  const rows = names.map(({ kind, from }) => ({ kind, from, to: from === own[kind] ? '' : own[kind] }));
  const missing = NAME_KINDS.filter((kind) => !rows.some((row) => row.kind === kind));
  return [...rows, ...missing.map((kind) => ({ kind, from: '', to: own[kind] }))];
}

/** Rows that say what is to be changed. */
export const changesIn = (rows: readonly Row[]): NameChange[] =>
  rows.filter(({ from, to }) => from.trim() && to.trim() && from.trim() !== to.trim());

/** Old names and new ones; what is not filled in stays. */
function NameRows(props: { rows: readonly Row[]; onRows(rows: readonly Row[]): void; busy: boolean; onFind(): void }) {
  const { rows, onRows } = props;
  const put = (at: number, change: Partial<Row>): void =>
    onRows(rows.map((row, i) => (i === at ? { ...row, ...change } : row)));
  return (
    <div className="flex flex-col gap-3">
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="text-ink-2">
            <th className="w-24 pb-1 font-normal">Name</th>
            <th className="pb-1 pr-2 font-normal">In the old edition</th>
            <th className="pb-1 font-normal">In the new one</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => {
            const kind = KINDS[row.kind];
            const nth = rows.slice(0, i).filter((one) => one.kind === row.kind).length;
            const name = nth > 0 ? `${kind} ${nth + 1}` : kind;
            return (
              <tr key={`${row.kind}${nth}`}>
                <th scope="row" className="pr-2 font-semibold">
                  {name}
                </th>
                <td className="py-1 pr-2">
                  <TextField
                    label={`${name} in the old edition`}
                    hideLabel
                    value={row.from}
                    maxLength={200}
                    onChange={(from) => put(i, { from })}
                  />
                </td>
                <td className="py-1">
                  <TextField
                    label={`${name} in the new edition`}
                    hideLabel
                    value={row.to}
                    maxLength={200}
                    placeholder="stays"
                    onChange={(to) => put(i, { to })}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <Button className="self-start" disabled={props.busy || changesIn(rows).length === 0} onClick={props.onFind}>
        Find them in the book
      </Button>
    </div>
  );
}

/** Whether names are changed, and which. */
export function AskNames({ names, busy, label }: { names: OldNames; busy: boolean; label: string }) {
  return (
    <Check label={label} checked={names.asked} disabled={busy} onChange={names.ask}>
      {names.rows ? (
        <NameRows rows={names.rows} busy={busy} onFind={names.find} onRows={names.put} />
      ) : (
        <p className="text-ink-2">Reading the names that the book has</p>
      )}
      {!names.found && (
        <p className="text-ink-2">You see each place, before and after, and choose. Nothing changes until then.</p>
      )}
    </Check>
  );
}

/** Rows that are shown of one name before more are asked for. */
const SHOWN = 60;
/** Rows that are added at a time: a page of thousands would not move while they are laid out. */
const MORE = 300;

/** A sentence with the name in it made plain by weight and line. */
function Said({ text, name }: { text: string; name: string }) {
  const at = text.indexOf(name.replace(/\s+/g, ' '));
  if (at < 0) return <>{text}</>;
  const end = at + name.replace(/\s+/g, ' ').length;
  return (
    <>
      {text.slice(0, at)}
      <mark className="bg-transparent font-semibold text-ink underline">{text.slice(at, end)}</mark>
      {text.slice(end)}
    </>
  );
}

function Place(props: { hit: NameHit; of: 'epub' | 'pdf'; checked: boolean; onCheck(on: boolean): void }) {
  const { hit, checked, onCheck } = props;
  const page = props.of === 'epub' ? 'page file' : 'page';
  const where = `${PLACES[hit.place]}${hit.page === null ? '' : `, ${page} ${hit.page}`}`;
  const doubt = MANNERS[hit.manner];
  return (
    <li className="border-b border-line py-1.5" data-hit={hit.id}>
      <label className="flex items-start gap-2">
        <input
          type="checkbox"
          className="mt-0.5 size-4 accent-ink"
          checked={checked}
          onChange={(e) => onCheck(e.target.checked)}
        />
        <span className="min-w-0 break-words">
          <span className="block text-ink-2">
            <Said text={hit.before} name={hit.found} />
          </span>
          <span className="block">
            <span className="sr-only">becomes </span>
            <span aria-hidden className="text-ink-2">
              →{' '}
            </span>
            <Said text={hit.after} name={hit.becomes} />
          </span>
          <span className="block text-xs text-ink-2">
            {where}
            {doubt && `; ${doubt}`}
          </span>
        </span>
      </label>
    </li>
  );
}

/** Every place that was found, name by name: what is sure is chosen, what is doubted is asked. */
export function FoundNames({ found, names, of }: { found: NamesFound; names: OldNames; of: 'epub' | 'pdf' }) {
  const { chosen, choose } = names;
  const [more, setMore] = useState<ReadonlyMap<number, number>>(new Map());
  const put = (hits: readonly NameHit[], on: (hit: NameHit) => boolean): void => {
    const next = new Set(chosen);
    for (const hit of hits)
      if (on(hit)) next.add(hit.id);
      else next.delete(hit.id);
    choose(next);
  };
  return (
    <section aria-label="Places of old names" className="flex flex-col gap-4">
      <div>
        <h2 className="text-base font-semibold">Places of old names</h2>
        <p role="status" className="text-ink-2">
          {found.hits.length === 0
            ? 'None of these names stands in the book.'
            : `${found.hits.length === 1 ? 'One place' : `${found.hits.length} places`} found. The sure ones are chosen. Look at the others, then make the new edition.`}
        </p>
      </div>
      {found.changes.map(({ kind, from, to }, i) => {
        // What is doubted comes first: only that needs a decision.
        const own = found.hits.filter((hit) => hit.change === i);
        const hits = [...own.filter((hit) => !hit.sure), ...own.filter((hit) => hit.sure)];
        const on = hits.filter((hit) => chosen.has(hit.id)).length;
        const shown = hits.slice(0, more.get(i) ?? SHOWN);
        const next = Math.min(MORE, hits.length - shown.length);
        return (
          <section key={`${kind} ${from}`} aria-label={`${KINDS[kind]}: ${from}`}>
            <div className="flex items-baseline justify-between gap-3">
              <h3 className="font-semibold">
                {from} becomes {to}
              </h3>
              <span className="shrink-0 font-mono text-xs text-ink-2">
                {hits.length === 0 ? 'not found' : `${on} of ${hits.length} ${hits.length === 1 ? 'place' : 'places'}`}
              </span>
            </div>
            {hits.length > 0 && (
              <>
                <div className="flex gap-3 py-1">
                  <Button kind="link" onClick={() => put(hits, () => true)}>
                    All
                  </Button>
                  <Button kind="link" onClick={() => put(hits, (hit) => hit.sure)}>
                    Only the sure ones
                  </Button>
                  <Button kind="link" onClick={() => put(hits, () => false)}>
                    None
                  </Button>
                </div>
                <ul className="max-h-80 overflow-y-auto border-t border-edge pr-2">
                  {shown.map((hit) => (
                    <Place
                      key={hit.id}
                      hit={hit}
                      of={of}
                      checked={chosen.has(hit.id)}
                      onCheck={(now) => put([hit], () => now)}
                    />
                  ))}
                </ul>
                {shown.length < hits.length && (
                  <Button kind="link" onClick={() => setMore(new Map([...more, [i, shown.length + next]]))}>
                    Show {next} more of {hits.length - shown.length}
                  </Button>
                )}
              </>
            )}
          </section>
        );
      })}
      <ul className="text-xs text-ink-2">
        {found.notes
          .filter(({ code }) => /^(epub-names|pdf-names|epub-isbn)/.test(code))
          .map((note, i) => (
            <li key={i}>{sentenceOf(note)}</li>
          ))}
        <li>
          {of === 'epub'
            ? 'Words within pictures are not read. Look at those yourself.'
            : 'Words on the pages themselves stay as they are. Those within pictures are not read.'}
        </li>
      </ul>
    </section>
  );
}
