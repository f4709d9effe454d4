import { readsGrade, readsText } from '@yosomi/core/glance';
import type { House } from '@yosomi/core/project';
import { type HouseChange, TOUCH_PLACES, type TouchPlace } from '@yosomi/core/recipe';
import { type Card, nameOfCard } from '@yosomi/core/shelf';
import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { sentenceOf } from '../../messages/sentences';
import type { TouchedTitle } from '../../persist/house-titles';
import { Bitmap } from '../../ui/bitmap';
import { Check } from '../../ui/check';
import { useInView } from '../../ui/in-view';
import { Picture } from '../../ui/picture';
import { Verdict } from '../../ui/verdict';
import { beforeAfter } from '../../work/house';
import { useSmallCover } from '../../work/shelf';

const PLACES: Readonly<Record<TouchPlace, string>> = {
  brief: 'Brief',
  front: 'front',
  spine: 'spine',
  back: 'back',
  mockups: 'Mockups',
  promos: 'Promos',
  booklet: 'Booklet',
};

const WIDE = 128;
const MOST_TEXTS = 3;

/** "Brief 2, Promos 1" */
const placesOf = ({ places }: NonNullable<TouchedTitle['touches']>): string => {
  const told = TOUCH_PLACES.flatMap((place) => (places[place] ? [`${PLACES[place]} ${places[place]}`] : [])).join(', ');
  return told.charAt(0).toUpperCase() + told.slice(1);
};

type Given = {
  cards: ReadonlyMap<string, Card>;
  changes: readonly HouseChange[];
  house: House;
};

/** The titles that changes touch, as they are and as they become, and which of them take part. */
export function TouchedList(
  props: Given & {
    touched: readonly TouchedTitle[];
    out: ReadonlySet<string>;
    onOut(id: string, out: boolean): void;
  },
) {
  return (
    <ul aria-label="Titles that it touches" className="flex flex-col divide-y divide-line">
      {props.touched.map((one) => {
        const card = props.cards.get(one.id);
        return (
          card && (
            <Touched
              key={one.id}
              one={one}
              card={card}
              changes={props.changes}
              house={props.house}
              out={props.out.has(one.id)}
              onOut={(out) => props.onOut(one.id, out)}
            />
          )
        );
      })}
    </ul>
  );
}

function Touched(
  props: Omit<Given, 'cards'> & { one: TouchedTitle; card: Card; out: boolean; onOut(out: boolean): void },
) {
  const { one, card, out } = props;
  const place = useRef<HTMLLIElement>(null);
  const near = useInView(place);
  const name = nameOfCard(card);
  const height = Math.min(1.6 * WIDE, (WIDE * card.heightPx) / card.widthPx);
  const pair = one.front;
  return (
    <li ref={place} aria-label={name} className="flex flex-wrap gap-x-5 gap-y-3 py-4" style={{ minHeight: height }}>
      <div className={`flex gap-3 ${out ? 'opacity-60' : ''}`} style={{ minWidth: pair ? 2 * WIDE + 12 : WIDE }}>
        {near &&
          (pair ? (
            <Pair {...props} name={name} height={height} />
          ) : (
            <OneCover card={card} label={`Cover of ${name}, as it is`} height={height} />
          ))}
      </div>
      <div className="flex min-w-52 flex-1 flex-col gap-1.5">
        {one.changed ? (
          <span className="font-semibold">
            <Check label={name} checked={!out} onChange={(on) => props.onOut(!on)} />
          </span>
        ) : (
          <p className="font-semibold">{name}</p>
        )}
        {one.fault && <Verdict grade="fail">{sentenceOf(one.fault)}</Verdict>}
        {one.touches && (
          <>
            {one.changed ? (
              <p className="text-ink-2">
                {placesOf(one.touches)}.{pair ? '' : ' The front stays as it is.'}
              </p>
            ) : (
              <p className="text-ink-2">Nothing of it is changed.</p>
            )}
            {one.touches.texts.slice(0, MOST_TEXTS).map(({ before, after }) => (
              <p key={`${before} ${after}`} className="text-xs wrap-anywhere">
                <span className="sr-only">Before: </span>
                <span className="text-ink-2">{before}</span>
                <span aria-hidden className="text-ink-2">
                  {' → '}
                </span>
                <span className="sr-only">After: </span>
                {after}
              </p>
            ))}
            {one.touches.texts.length > MOST_TEXTS && (
              <p className="text-xs text-ink-2">{one.touches.texts.length - MOST_TEXTS} more texts</p>
            )}
            {one.touches.left.length > 0 && (
              <Verdict grade="may">
                <span className="wrap-anywhere">Stays, for it may be meant so: {one.touches.left.join(', ')}</span>
              </Verdict>
            )}
          </>
        )}
      </div>
    </li>
  );
}

function OneCover({ card, label, height }: { card: Card; label: string; height: number }) {
  const width = (height * card.widthPx) / card.heightPx;
  return (
    <Picture src={useSmallCover(card)} label={label} className="bg-line/60 shadow-cover" style={{ width, height }} />
  );
}

/** The front before and after, and what was measured of both. */
function Pair(props: Omit<Given, 'cards'> & { card: Card; name: string; height: number }) {
  const { card, name, changes, house, height } = props;
  const { data, isError } = useQuery({
    queryKey: ['house-pair', card.id, card.updatedAt, changes, house.faces],
    queryFn: ({ signal }) => beforeAfter(card.id, changes, { faces: house.faces }, 2 * WIDE, signal),
    staleTime: Infinity,
    gcTime: 60_000,
    retry: false,
  });
  const size = { width: (height * card.widthPx) / card.heightPx, height };
  if (isError) return <p className="w-64 text-ink-2">The front could not be painted. Change something to try again.</p>;
  const reads = (px: number | null | undefined, grade: boolean) =>
    px !== undefined && (
      <span className="text-xs">
        {grade ? (
          <Verdict grade={readsGrade(true, px)}>Title {readsText(px)}</Verdict>
        ) : (
          <span className="text-ink-2">Title {readsText(px)}</span>
        )}
      </span>
    );
  return (
    <>
      {(['before', 'after'] as const).map((when, i) => (
        <div key={when} className="flex flex-col gap-1" style={{ width: WIDE }}>
          <span className="text-xs text-ink-2">{i === 0 ? 'Before' : 'After'}</span>
          {data ? (
            <Bitmap
              bitmap={data[when]}
              label={`Cover of ${name} ${when}`}
              className="block bg-line/60 shadow-cover"
              style={size}
            />
          ) : (
            <span className="block bg-line/60" style={size} />
          )}
          {data && !data.lacks && reads(data.titleFromPx[i], i === 1)}
          {data?.lacks && i === 1 && (
            <span className="text-xs">
              <Verdict grade="fail">{sentenceOf(data.lacks)}</Verdict>
            </span>
          )}
          {data && i === 1 && data.same && <span className="text-xs text-ink-2">It looks the same.</span>}
          {data &&
            !data.lacks &&
            i === 1 &&
            data.newly.map((found) => (
              <p key={`${found.code} ${found.part}`} className="text-xs">
                <Verdict grade="may">{sentenceOf(found)}</Verdict>
              </p>
            ))}
        </div>
      ))}
    </>
  );
}
