import { type Scheme, labOf, rgbOf, withLightness } from '@yosomi/core/colour';
import {
  COLOUR_ROLES,
  type ColourRole,
  type Doc,
  applyScheme,
  colourUse,
  recolour,
  recolourRole,
  roleColours,
} from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { useState } from 'react';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { ColourField } from '../../ui/colour-field';
import { Group } from '../../ui/group';
import { BroughtSchemes, Schemes } from './schemes';
import { useHouse, withColour } from './use-house';
import type { On } from './use-set';

/** How steps that dress the cover in a scheme begin: the schemes that were shown stay until something else is done. */
export const SCHEME_STEP = 'Scheme: ';

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
  const [level, setLevel] = useState(false);
  const roles = roleColours(doc);
  const use = colourUse(doc);
  const own = use.find((one) => one.colour === chosen);
  const take = (scheme: Scheme): void => void edit(`${SCHEME_STEP}${scheme.name}`, on(applyScheme(scheme, frames)));
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
              onChange={(picked, dragging) => {
                const to = level ? withLightness(picked, labOf(rgbOf(own.colour))[0]) : picked;
                if (edit('Change a colour everywhere', on(recolour(own.colour, to)), dragging ? 'recolour' : null))
                  setChosen(to);
              }}
            />
            <Check
              label="Keep its lightness"
              hint="Only the hue changes, so that what reads goes on reading."
              checked={level}
              onChange={setLevel}
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
      <Group title="Colours by what they are for" folded>
        {COLOUR_ROLES.map((role) => {
          const value = roles[role];
          return (
            value && (
              <div key={role} className="flex flex-col gap-1">
                <span className="text-ink-2">{ROLE_NAMES[role]}</span>
                <ColourField
                  label={ROLE_NAMES[role]}
                  value={value}
                  swatches={swatches.slice(0, 6)}
                  onChange={(hex, d) =>
                    void edit(
                      `Colour of ${ROLE_NAMES[role].toLowerCase()}`,
                      on(recolourRole(role, hex)),
                      d ? `role-${role}` : null,
                    )
                  }
                />
              </div>
            )
          );
        })}
      </Group>
      {schemes.length > 0 && (
        <Group title="Schemes that would suit it" folded>
          <Schemes schemes={schemes} onTake={take} />
        </Group>
      )}
      <BroughtSchemes onTake={take} />
    </>
  );
}

const ROLE_NAMES: Readonly<Record<ColourRole, string>> = {
  ground: 'Ground',
  words: 'Title',
  second: 'Other words',
  accent: 'Shapes and rules',
};
