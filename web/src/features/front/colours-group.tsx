import type { Scheme } from '@yosomi/core/colour';
import { type Doc, applyScheme, colourUse, recolour } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { useState } from 'react';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { ColourField } from '../../ui/colour-field';
import { Group } from '../../ui/group';
import { useHouse, withColour } from './use-house';
import type { On } from './use-set';

/** The colours of the cover, each changed everywhere at once, and schemes that would dress it anew. */
export function ColoursGroup(props: {
  doc: Doc;
  on: On;
  frames: ReadonlyMap<string, Rect>;
  schemes: readonly Scheme[];
  swatches: readonly string[];
}) {
  const { doc, on, frames, schemes, swatches } = props;
  const edit = useSession((s) => s.edit);
  const { house, change } = useHouse();
  const [chosen, setChosen] = useState<string | null>(null);
  const use = colourUse(doc);
  const own = use.find((one) => one.colour === chosen);
  return (
    <>
      <Group title="Its colours">
        <div className="flex flex-wrap gap-1.5" role="group" aria-label="Colours of the cover">
          {use.slice(0, 18).map(({ colour, places }) => (
            <button
              key={colour}
              type="button"
              aria-pressed={chosen === colour}
              aria-label={`${colour}, used in ${places} ${places === 1 ? 'place' : 'places'}`}
              title={`${colour} · ${places}`}
              onClick={() => setChosen(chosen === colour ? null : colour)}
              className="size-7 rounded-sm border border-edge aria-pressed:ring-2 aria-pressed:ring-ink aria-pressed:ring-offset-2 aria-pressed:ring-offset-paper"
              style={{ background: colour }}
            />
          ))}
        </div>
        {own ? (
          <>
            <p className="text-ink-2">
              Change it in {own.places === 1 ? 'its one place' : `all its ${own.places} places`} to
            </p>
            <ColourField
              label="Change it everywhere to"
              value={own.colour}
              swatches={swatches.filter((s) => s !== own.colour)}
              onChange={(to, dragging) => {
                if (edit('Change a colour everywhere', on(recolour(own.colour, to)), dragging ? 'recolour' : null))
                  setChosen(to);
              }}
            />
            {house.colours.includes(own.colour) ? (
              <p className="text-ink-2">It is in the house style.</p>
            ) : (
              <Button kind="link" className="self-start" onClick={() => change(withColour(own.colour))}>
                Keep it in the house style
              </Button>
            )}
          </>
        ) : (
          <p className="text-ink-2">Choose one to change it everywhere.</p>
        )}
      </Group>
      {schemes.length > 0 && (
        <Group title="Schemes that would suit it" folded>
          {schemes.map((scheme) => (
            <button
              key={scheme.name}
              type="button"
              onClick={() => void edit(`Scheme: ${scheme.name}`, on(applyScheme(scheme, frames)))}
              className="flex items-center gap-2 rounded-sm border border-line bg-card p-1.5 text-left hover:border-ink"
            >
              <span aria-hidden className="flex overflow-hidden rounded-sm border border-line">
                {[scheme.ground, scheme.words, scheme.second, scheme.accent].map((hex, i) => (
                  <span key={i} className="size-6" style={{ background: hex }} />
                ))}
              </span>
              {scheme.name}
            </button>
          ))}
        </Group>
      )}
    </>
  );
}
