import { type DeskAsk, anyPicture, deskPicture, searchDesk } from '@yosomi/core/desk';
import type { Book } from '@yosomi/core/project';
import type { HouseAsk } from '@yosomi/core/recipe';
import { type ReactNode, useDeferredValue, useMemo, useState } from 'react';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Chip, Chips } from '../../ui/chip';
import { TextField } from '../../ui/field';
import { stepAmong } from '../../ui/step-among';
import { Working } from '../../ui/working';
import type { DeskLook } from '../../work/desk.worker';
import type { DeskUse } from './desk-dialog';
import { ALL_CHOICES, ANY, type Choice, ChoiceMenus } from './choice-menus';
import { DeskTile } from './desk-tile';
import { Facts } from './facts';
import { factsOf, pictureName } from './names';
import { NoneFit } from './none-fit';
import { useDeskLook } from './use-desk-look';
import { useDeskPicture } from './use-desk-picture';

/** Pictures that this program paints: found by nouns, moods and what is measured, each with the title's words where it is quiet. */
export function PaintedDesk(props: { focus: boolean; book: Book | null; house: HouseAsk; uses: readonly DeskUse[] }) {
  const { book, house } = props;
  const hasWords = book !== null && book.brief.title.trim() !== '';
  const [ask, setAsk] = useState<DeskAsk>(anyPicture);
  const [withWords, setWithWords] = useState(true);
  const [chosen, setChosen] = useState<string | null>(null);
  const asked = useDeferredValue(ask);
  const { found, neighbours, unknown, hides } = useMemo(() => searchDesk(asked), [asked]);
  const painting = useDeskPicture();
  const shownBook = hasWords && withWords ? book : null;
  const picture = (chosen && deskPicture(chosen)) || null;
  const inGrid = found.some(({ id }) => id === chosen);
  const choose = (choice: Choice, value: string): void =>
    setAsk((now) => ({ ...now, [choice]: value === ANY ? null : value }));
  return (
    <>
      <div className="flex flex-wrap items-end gap-2.5">
        <div className="min-w-60 flex-1">
          <TextField
            label="What it shows"
            value={ask.words}
            maxLength={80}
            autoFocus={props.focus}
            onChange={(words) => setAsk((now) => ({ ...now, words }))}
          />
        </div>
        <ChoiceMenus choices={ALL_CHOICES} ask={ask} onChoose={choose} />
      </div>
      <div className="flex flex-wrap items-center gap-4">
        <p aria-live="polite" className="text-ink-2">
          {found.length === 1 ? '1 picture' : `${found.length} pictures`}
          {hides > 0 && found.length > 0 ? `, ${hides} more without the choices` : ''}
          {unknown.length > 0 && found.length > 0 ? `. No picture shows “${unknown.join(' ')}”.` : ''}
        </p>
        {hasWords && <Check label="With the title on them" checked={withWords} onChange={setWithWords} />}
      </div>
      <div className="-mx-6 -mb-6 flex min-h-0 flex-1 border-t border-line">
        <div className="min-w-0 flex-1 overflow-y-auto bg-table p-4 min-[900px]:p-6" onKeyDown={stepAmong}>
          {found.length === 0 ? (
            <Nothing
              words={ask.words}
              neighbours={neighbours}
              hides={hides}
              onWord={(words) => setAsk((now) => ({ ...now, words }))}
              onAll={() => setAsk({ ...anyPicture, words: ask.words })}
            />
          ) : (
            <ul
              aria-label="Pictures of the desk"
              className="grid grid-cols-[repeat(auto-fill,minmax(118px,1fr))] gap-x-5 gap-y-6"
            >
              {found.map((one, i) => (
                <DeskTile
                  key={one.id}
                  picture={one}
                  book={shownBook}
                  house={house}
                  chosen={one.id === chosen}
                  first={inGrid ? one.id === chosen : i === 0}
                  onChoose={() => setChosen(one.id)}
                />
              ))}
            </ul>
          )}
        </div>
        <aside
          aria-label="The chosen picture"
          className="flex w-52 shrink-0 flex-col gap-4 overflow-y-auto p-5 min-[900px]:w-72"
        >
          {picture ? (
            <Chosen
              key={picture.id}
              id={picture.id}
              book={shownBook}
              house={house}
              facts={factsOf(picture)}
              name={pictureName(picture)}
            >
              {(look) =>
                painting.done !== null ? (
                  <Working label={`Painting whole: ${painting.name}`} done={painting.done} onStop={painting.stop} />
                ) : (
                  <div className="flex flex-col gap-2">
                    {props.uses
                      .filter((use) => !use.asCover || look?.cover)
                      .map((use, i) => (
                        <Button
                          key={use.label}
                          kind={i === 0 ? 'ink' : undefined}
                          disabled={!look}
                          onClick={() => painting.paint(picture, (whole) => use.run(whole, look?.cover ?? null))}
                        >
                          {use.label}
                        </Button>
                      ))}
                  </div>
                )
              }
            </Chosen>
          ) : (
            <p className="text-ink-2">Choose a picture to see it large, and what it may be used for.</p>
          )}
        </aside>
      </div>
    </>
  );
}

function Chosen(props: {
  id: string;
  book: Book | null;
  house: HouseAsk;
  name: string;
  facts: [name: string, value: string][];
  children(look: DeskLook | null): ReactNode;
}) {
  const { data, isError } = useDeskLook(props.id, props.book, props.house);
  return (
    <>
      {data ? (
        <Bitmap bitmap={data.bitmap} label={props.name} className="block max-h-[46vh] w-full object-contain" />
      ) : (
        <p role="status">
          {isError ? 'It could not be painted. Choose another, or close the desk and open it again.' : 'Painting'}
        </p>
      )}
      <h3 className="text-[15px] font-semibold">{props.name}</h3>
      {props.children(data ?? null)}
      {data && props.book && !data.cover && (
        <p className="text-ink-2">The title fits nowhere on it as it is. On the Front it can be set by hand.</p>
      )}
      <Facts
        facts={[
          ...props.facts,
          ['Rights', 'Painted by the picture desk. Free to use and to sell, on covers and on goods; no credit is due.'],
        ]}
      />
    </>
  );
}

function Nothing(props: {
  words: string;
  neighbours: readonly string[];
  hides: number;
  onWord(word: string): void;
  onAll(): void;
}) {
  const { hides } = props;
  if (hides > 0) return <NoneFit hides={hides} onAll={props.onAll} />;
  return (
    <div className="flex flex-col items-start gap-3">
      <p>Nothing is found for “{props.words.trim()}”. Try one plain noun.</p>
      <Chips label="Words that find something">
        {props.neighbours.map((word) => (
          <Chip key={word} taken={false} onTake={() => props.onWord(word)}>
            {word}
          </Chip>
        ))}
      </Chips>
    </div>
  );
}
