import type { DrawnForm } from '@yosomi/core/cover';
import type { House } from '@yosomi/core/project';
import { type HouseChange, type HouseUses, type Used, housePlan, sameDrawing } from '@yosomi/core/recipe';
import { FAMILIES, OWN_FACE } from '@yosomi/core/text';
import { Undo2 } from 'lucide-react';
import { type ReactNode, useEffect, useRef } from 'react';
import { sentenceOf } from '../../messages/sentences';
import { showFace } from '../../platform/face-preview';
import { Button } from '../../ui/button';
import { ColourField } from '../../ui/colour-field';
import { TextField } from '../../ui/field';
import { Menu } from '../../ui/menu';
import { faceGroups, showFaces } from '../front/face-groups';
import { MarkPicture } from '../front/mark-picture';
import { useMarkInput } from '../front/use-mark-input';
import { withChange, wishedMark, wishedOf } from './pending';

type Props = {
  house: House;
  uses: HouseUses;
  changes: readonly HouseChange[];
  onChange(changes: readonly HouseChange[]): void;
};

const titles = (count: number): string => (count === 0 ? 'No title yet' : count === 1 ? '1 title' : `${count} titles`);

/** Everything that the titles of a house share, with how many use it, and what is to take its place. */
export function ThingsForm(props: Props) {
  return (
    <>
      <Names kind="imprint" title="Imprint" none="Titles without an imprint" {...props} />
      <Names kind="site" title="Site" none="Titles without a site" {...props} />
      <Colours {...props} />
      <Faces {...props} />
      <Marks {...props} />
    </>
  );
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="flex flex-col gap-2.5">
      <h2 className="text-base font-semibold">{title}</h2>
      {children}
    </section>
  );
}

/** Takes a wish back. */
function Leave({ what, onLeave }: { what: string; onLeave(): void }) {
  return (
    <button
      type="button"
      aria-label={`Leave ${what} as it is`}
      title="Leave it as it is"
      onClick={onLeave}
      className="rounded-sm p-1 text-ink-2 hover:bg-line/60 hover:text-ink"
    >
      <Undo2 size={14} />
    </button>
  );
}

/** Things of the house first, then those that its titles use beside them. */
function ownFirst<T>(own: readonly T[], used: readonly Used<T>[], same: (a: T, b: T) => boolean): Used<T>[] {
  const first = own.map((value) => used.find((one) => same(one.value, value)) ?? { value, titles: [] });
  return [...first, ...used.filter(({ value }) => !own.some((one) => same(one, value)))];
}

const sameText = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

function Names(props: Props & { kind: 'site' | 'imprint'; title: string; none: string }) {
  const { kind, title, none, house, uses, changes, onChange } = props;
  const own = kind === 'site' ? house.website : house.name;
  const used = kind === 'site' ? uses.sites : uses.imprints;
  // A house that says nothing has no line of its own beside those of its titles.
  const rows = ownFirst(own === '' && used.length > 0 ? [] : [own], used, sameText);
  return (
    <Section title={title}>
      {rows.map(({ value, titles: of }) => {
        const to = wishedOf(changes, kind, value);
        const alone = to === null ? null : housePlan([{ kind, from: value, to }]);
        return (
          <TextField
            key={value}
            label={value || (of.length > 0 ? none : `${title} of the house`)}
            value={to ?? value}
            maxLength={120}
            hint={titles(of.length)}
            error={alone && !alone.ok ? sentenceOf(alone.fault) : null}
            onChange={(next) => onChange(withChange(changes, { kind, from: value, to: next }))}
          />
        );
      })}
    </Section>
  );
}

/** Colours that fewer titles use, and that are not of the house, are a title's own. */
const SHARED_BY = 2;

function Colours({ house, uses, changes, onChange }: Props) {
  const shared = uses.colours.filter(({ titles: of }) => of.length >= SHARED_BY);
  const known = uses.colours.filter(({ value }) => house.colours.includes(value));
  const rows = ownFirst(house.colours, [...known, ...shared.filter((one) => !known.includes(one))], sameText);
  if (rows.length === 0) return <Section title="Colours">{nothing('No colour is shared yet.')}</Section>;
  return (
    <Section title="Colours">
      <ul className="flex flex-col gap-1.5">
        {rows.map(({ value, titles: of }) => {
          const to = wishedOf(changes, 'colour', value);
          return (
            <li key={value} className="flex items-center gap-3">
              <span className="size-7 rounded-sm border border-edge" style={{ background: value }} />
              <span className="w-16 font-mono text-xs">{value}</span>
              <span className="flex-1 text-ink-2">{titles(of.length)}</span>
              <ColourField
                label={`In place of ${value}`}
                value={to ?? value}
                swatches={[]}
                onChange={(next) => onChange(withChange(changes, { kind: 'colour', from: value, to: next }))}
              />
              <span className="w-6">
                {to !== null && (
                  <Leave
                    what={value}
                    onLeave={() => onChange(withChange(changes, { kind: 'colour', from: value, to: value }))}
                  />
                )}
              </span>
            </li>
          );
        })}
      </ul>
    </Section>
  );
}

const nothing = (text: string): ReactNode => <p className="text-ink-2">{text}</p>;

function Faces({ house, uses, changes, onChange }: Props) {
  const groups = faceGroups(house.faces, 'Small hours');
  const nameOf = (face: string): string =>
    FAMILIES.find(({ id }) => id === face)?.name ??
    house.faces.find(({ id }) => `${OWN_FACE}${id}` === face)?.name ??
    'A font of your own';
  const shown = uses.faces.map(({ value }) => wishedOf(changes, 'face', value) ?? value).join(' ');
  useEffect(() => {
    for (const { id, cuts } of FAMILIES) if (shown.split(' ').includes(id)) showFace(cuts[0].id);
  }, [shown]);
  if (uses.faces.length === 0) return <Section title="Faces">{nothing('No title sets words yet.')}</Section>;
  return (
    <Section title="Faces">
      <ul className="flex flex-col gap-2">
        {uses.faces.map(({ value, titles: of }) => {
          const to = wishedOf(changes, 'face', value);
          return (
            <li key={value} className="flex items-center gap-3">
              <span className="min-w-0 flex-1">
                <span className="block truncate">{nameOf(value)}</span>
                <span className="text-xs text-ink-2">{titles(of.length)}</span>
              </span>
              <div className="w-48">
                <Menu
                  label={`In place of ${nameOf(value)}`}
                  value={to ?? value}
                  groups={
                    groups.some((group) => group.options.some((one) => one.value === value))
                      ? groups
                      : [{ title: 'As it is', options: [{ value, label: nameOf(value) }] }, ...groups]
                  }
                  onOpen={() => showFaces(house.faces)}
                  onChange={(next) => onChange(withChange(changes, { kind: 'face', from: value, to: next }))}
                />
              </div>
              <span className="w-6">
                {to !== null && (
                  <Leave
                    what={nameOf(value)}
                    onLeave={() => onChange(withChange(changes, { kind: 'face', from: value, to: value }))}
                  />
                )}
              </span>
            </li>
          );
        })}
      </ul>
    </Section>
  );
}

function Marks({ house, uses, changes, onChange }: Props) {
  const asked = useRef<DrawnForm | null>(null);
  const input = useMarkInput((form) => {
    if (asked.current) onChange(withChange(changes, { kind: 'mark', from: asked.current, to: form }));
  });
  const rows = ownFirst(
    house.marks.map(({ form }) => form),
    uses.marks,
    sameDrawing,
  );
  const nameOf = (form: DrawnForm): string =>
    house.marks.find((one) => sameDrawing(one.form, form))?.name ?? 'Another mark';
  if (rows.length === 0) return <Section title="Marks">{nothing('No title has a mark yet.')}</Section>;
  return (
    <Section title="Marks">
      {input.element}
      <ul className="flex flex-col gap-2.5">
        {rows.map(({ value, titles: of }, i) => {
          const to = wishedMark(changes, value);
          const others = house.marks.filter(({ form }) => !sameDrawing(form, value));
          const name = nameOf(value);
          return (
            <li key={i} className="flex flex-wrap items-center gap-3" aria-label={name}>
              <MarkPicture form={value} className="h-9 max-w-16" />
              <span className="min-w-0 flex-1">
                <span className="block truncate">{name}</span>
                <span className="text-xs text-ink-2">{titles(of.length)}</span>
              </span>
              {to !== null && (
                <>
                  <span aria-hidden>to</span>
                  <MarkPicture form={to} className="h-9 max-w-16" />
                  <Leave
                    what={name}
                    onLeave={() => onChange(withChange(changes, { kind: 'mark', from: value, to: value }))}
                  />
                </>
              )}
              {others.map((one) => (
                <Button
                  key={one.id}
                  aria-label={`${one.name} in place of ${name}`}
                  title={one.name}
                  onClick={() => onChange(withChange(changes, { kind: 'mark', from: value, to: one.form }))}
                >
                  <MarkPicture form={one.form} className="h-5 max-w-10" />
                </Button>
              ))}
              <Button
                aria-label={`A file in place of ${name}`}
                onClick={() => {
                  asked.current = value;
                  input.open();
                }}
              >
                From a file
              </Button>
            </li>
          );
        })}
      </ul>
    </Section>
  );
}
