import { slug } from '@yosomi/core/base';
import type { Brief } from '@yosomi/core/book';
import { type Hex, contrast, mostLegible } from '@yosomi/core/colour';
import {
  MOST_LETTERS,
  SYMBOLS,
  type SymbolName,
  WAYS,
  type Way,
  initialsOf,
  lettersOf,
  serves,
} from '@yosomi/core/marks';
import type { Mark } from '@yosomi/core/project';
import { MARK_FILES, type MarkFormat } from '@yosomi/core/recipe';
import type { Drawing } from '@yosomi/core/vector';
import { useState } from 'react';
import { say, sayFault } from '../../messages/say';
import { freshId } from '../../platform/ids';
import { saveFile } from '../../platform/files';
import { useFrom } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Chip, Chips } from '../../ui/chip';
import { ColourField } from '../../ui/colour-field';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { Menu } from '../../ui/menu';
import { stepAmong } from '../../ui/step-among';
import { useMarkDrawings } from '../../work/queries';
import { studio } from '../../work/workers';
import { MarkPicture } from './mark-picture';
import { useHouse } from './use-house';

const GROUPS: readonly { readonly group: Way['group']; readonly title: string }[] = [
  { group: 'letters', title: 'Letters alone' },
  { group: 'form', title: 'In a form' },
  { group: 'name', title: 'With the name' },
  { group: 'symbol', title: 'With a symbol' },
];

const SYMBOL_NAMES: Readonly<Record<SymbolName, string>> = {
  book: 'Book',
  nib: 'Nib',
  moon: 'Moon',
  star: 'Star',
  sun: 'Sun',
  leaf: 'Leaf',
  wave: 'Waves',
  hill: 'Hills',
  lantern: 'Lantern',
  key: 'Key',
  house: 'House',
  flame: 'Flame',
  eye: 'Eye',
  shell: 'Shell',
};

/** Names that a title knows, whose initials can be taken. */
function namesOf({ author, publisher, title }: Brief, house: string): { of: string; name: string }[] {
  const all = [
    { of: 'Author', name: author.trim() },
    { of: 'House', name: (house || publisher).trim() },
    { of: 'Title', name: title.trim() },
  ];
  return all.filter(({ name }, i) => initialsOf(name) !== '' && all.findIndex((one) => one.name === name) === i);
}

/** The white of the sheet that marks are shown on. */
const PAPER = '#ffffff';

/** A second colour that is told from the first and seen on paper, or the best of them. */
function secondTo(first: Hex, swatches: readonly Hex[]): Hex {
  const others = [...swatches, '#b0562a', '#e8b04a'].filter((hex) => hex !== first);
  const worth = (hex: Hex): number => Math.min(contrast(hex, first), contrast(hex, PAPER));
  return others.reduce((best, hex) => (worth(hex) > worth(best) ? hex : best));
}

const formOf = (drawing: Drawing): Mark['form'] => ({ kind: 'drawn', ...drawing });

/** Hands a mark to the person as a file on a clear ground. */
export async function saveMark(form: Mark['form'], name: string, colour: Hex, format: MarkFormat): Promise<void> {
  const made = await studio
    .drawingFile({ ratio: form.ratio, paths: form.paths }, colour, format)
    .catch(() => ({ ok: false, fault: { code: 'work-failed', data: {} } }) as const);
  if (!made.ok) return sayFault(made.fault);
  const file = `${slug(`${name} mark`)}.${format}`;
  saveFile(made.value, file, MARK_FILES[format]);
  say(`Saved ${file}`);
}

/**
 * A mark from a name: its initials in many ways, on a clear ground. `onUse` puts the chosen one on the cover, in a colour of
 * one's own where one was chosen; without it the mark can only be kept and saved.
 */
export function MarkMaker(props: {
  colour: Hex;
  swatches: readonly Hex[];
  onUse?(form: Mark['form'], colour: Hex | null): void;
  onClose(): void;
}) {
  const brief = useFrom((book) => book.brief);
  const { house, change } = useHouse();
  const names = namesOf(brief, house.name);
  const [name, setName] = useState(names[0]?.name ?? '');
  const [letters, setLetters] = useState(initialsOf(names[0]?.name ?? ''));
  const [symbol, setSymbol] = useState<SymbolName | null>(null);
  const [own, setOwn] = useState<Hex | null>(null);
  const [second, setSecond] = useState<Hex | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const clear = mostLegible(PAPER, props.swatches.length > 0 ? props.swatches : [props.colour]);
  const colour = own ?? clear;
  // A pale mark is shown on a dark ground.
  const ground = contrast(colour, PAPER) < 2 ? 'bg-ink' : 'bg-card';
  const words = { letters: lettersOf(letters), name };
  const ways = WAYS.filter((way) => serves(way, words));
  const { drawings, waiting } = useMarkDrawings(
    ways.map(({ id }) => id),
    { letters, name, symbol, second },
  );
  const shown = ways.filter(({ id }) => waiting || drawings.has(id));
  const way = shown.find(({ id }) => id === chosen) ?? null;
  const drawing = way && drawings.get(way.id);
  const take = (from: string): void => {
    setName(from);
    setLetters(initialsOf(from));
  };
  const keep = (drawn: Drawing): void => {
    const called = (name.trim() || letters).slice(0, 120);
    const mark: Mark = { id: freshId(), name: called, form: formOf(drawn) };
    void change((now) => ({ ...now, marks: [...now.marks, mark] })).then(
      (kept) => kept && say('Kept in the house style'),
    );
  };
  return (
    <Dialog
      open
      onClose={props.onClose}
      title="Mark from a name"
      description="One to four letters, drawn in many ways. What you take is outlines: sharp at any size, in any colour."
      wide
    >
      <div className="grid shrink-0 gap-5 sm:grid-cols-[220px_1fr]">
        <div className="flex flex-col gap-3">
          {names.length > 0 && (
            <Chips label="Take the initials of">
              {names.map((one) => (
                <Chip key={one.of} taken={one.name === name} onTake={() => take(one.name)}>
                  {one.of}
                </Chip>
              ))}
            </Chips>
          )}
          <TextField
            label="Letters"
            value={letters}
            maxLength={12}
            error={words.letters.length === 0 ? `Type one to ${MOST_LETTERS} letters.` : null}
            onChange={setLetters}
          />
          <TextField
            label="Name written out"
            value={name}
            maxLength={60}
            onChange={setName}
            hint="Some ways show it."
          />
          <div className="flex flex-col gap-1">
            <p className="font-semibold">Symbol</p>
            <Menu
              label="Symbol"
              value={symbol ?? 'each'}
              groups={[
                {
                  title: 'Symbol',
                  options: [
                    { value: 'each', label: 'As each way has it' },
                    ...SYMBOLS.map((one) => ({ value: one, label: SYMBOL_NAMES[one] })),
                  ],
                },
              ]}
              onChange={(next) => setSymbol(SYMBOLS.find((one) => one === next) ?? null)}
            />
          </div>
          <p className="font-semibold">Colour</p>
          <ColourField label="Colour of the mark" value={colour} swatches={props.swatches} onChange={setOwn} />
          <Check
            label="A second colour"
            checked={second !== null}
            onChange={(yes) => setSecond(yes ? secondTo(colour, props.swatches) : null)}
          >
            {second && (
              <ColourField label="Second colour" value={second} swatches={props.swatches} onChange={setSecond} />
            )}
          </Check>
          <figure className={`mt-1 flex h-28 items-center justify-center rounded-sm border border-line p-3 ${ground}`}>
            {drawing ? (
              <span className="flex h-full w-full justify-center" style={{ color: colour }}>
                <MarkPicture form={formOf(drawing)} className="h-full max-w-full" />
              </span>
            ) : (
              <figcaption className="text-center text-ink-2">Choose a way.</figcaption>
            )}
          </figure>
        </div>
        <div className="relative min-h-72" onKeyDown={stepAmong}>
          <div className="absolute inset-0 flex flex-col gap-4 overflow-auto pr-1">
            {shown.length === 0 && words.letters.length > 0 && (
              <p className="text-ink-2">No face that comes with Yosomi has these letters. Try others.</p>
            )}
            {GROUPS.map(({ group, title }) => {
              const some = shown.filter((one) => one.group === group);
              return (
                some.length > 0 && (
                  <section key={group} aria-label={title}>
                    <h3 className="mb-1.5 font-semibold">{title}</h3>
                    <ul className="grid grid-cols-[repeat(auto-fill,minmax(84px,1fr))] gap-2">
                      {some.map((one) => (
                        <li key={one.id}>
                          <WayTile
                            way={one}
                            drawing={drawings.get(one.id) ?? null}
                            colour={colour}
                            ground={ground}
                            chosen={one.id === way?.id}
                            focused={one.id === (way ?? shown[0]).id}
                            onChoose={() => setChosen(one.id)}
                          />
                        </li>
                      ))}
                    </ul>
                  </section>
                )
              );
            })}
          </div>
        </div>
      </div>
      <p aria-live="polite" className="sr-only">
        {waiting ? 'The marks are being drawn.' : `${shown.length} ways are shown.`}
      </p>
      <div className="sticky -bottom-6 -mb-6 flex flex-wrap justify-end gap-2 bg-paper py-4">
        <Button
          disabled={!drawing}
          onClick={() => drawing && void saveMark(formOf(drawing), name || letters, colour, 'svg')}
        >
          Save SVG
        </Button>
        <Button
          disabled={!drawing}
          onClick={() => drawing && void saveMark(formOf(drawing), name || letters, colour, 'png')}
        >
          Save PNG
        </Button>
        <Button kind={props.onUse ? 'plain' : 'ink'} disabled={!drawing} onClick={() => drawing && keep(drawing)}>
          Keep in the house style
        </Button>
        {props.onUse && (
          <Button
            kind="ink"
            disabled={!drawing}
            onClick={() => {
              if (!drawing) return;
              props.onUse?.(formOf(drawing), own);
              props.onClose();
            }}
          >
            Put it on the cover
          </Button>
        )}
      </div>
    </Dialog>
  );
}

function WayTile(props: {
  way: Way;
  drawing: Drawing | null;
  colour: Hex;
  ground: string;
  chosen: boolean;
  focused: boolean;
  onChoose(): void;
}) {
  const { way, drawing, chosen } = props;
  return (
    <button
      type="button"
      data-tile={way.id}
      aria-label={way.name}
      title={way.name}
      aria-pressed={chosen}
      tabIndex={props.focused ? 0 : -1}
      onClick={props.onChoose}
      className={`flex aspect-square w-full items-center justify-center rounded-sm border border-line p-2.5 hover:border-ink aria-pressed:border-ink aria-pressed:ring-2 aria-pressed:ring-blue ${props.ground}`}
      style={{ color: props.colour }}
    >
      {drawing && <MarkPicture form={formOf(drawing)} className="max-h-full max-w-full" />}
    </button>
  );
}
