import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { icons } from '@phosphor-icons/core';
import { readSvg } from '@yosomi/core/vector';
import { ROOT } from '@yosomi/node-kit';

/**
 * Writes assets/symbols/symbols.json: of an open set of plain shapes those that stand for a thing in the world, each as one outline in a box of
 * its own, with the nouns by which it is found. Signs of computers, makers and interfaces are left out: nothing on a cover means them.
 */
const SUBJECTS = new Set(['nature', 'weather', 'objects', 'maps & travel', 'people', 'games', 'health & wellness']);
const PREFIXES =
  'angle bug-droid magic sparkle number text user file folder device list cursor chat math gender wifi cell battery speaker question warning check currency credit invoice receipt calendar browser monitor desktop laptop keyboard mouse printer webcam usb sim qr barcode export import magnifying trash gear sliders toggle sign lock seal spinner target database hard cpu network robot crosshair align frame app bounding selection gps navigation percent coin bank atm cash money piggy tip contactless chip vector intersect subtract unite exclude rewind fast skip play pause stop record repeat shuffle volume mic headset headphone television video film game joystick projector screencast toilet id identification read password subway taxi garage gas charging scooter segway park elevator escalator wheelchair article note presentation chalkboard cards kanban code terminal tag shopping storefront handbag package truck van megaphone phone paperclip push vinyl cassette faders paint swatches perspective polygon ruler textbox toolbox lego puzzle dice signature scan security swap trolley tote face t-shirt pants sock hoodie belt jeep cable engine fuel lectern log steps sort stack squares tabs spiral apple linux exam eyedropper drone fan finn link plug nuclear medal-military office prohibit pulse ranking recycle seat solar steam twitch thumbs virtual virus washing smiley disco computer air cardholder certificate coat funnel gauge hair headlights lockers lightbulb magnet mailbox prescription radioactive biohazard fallout fire-extinguisher first-aid shipping siren speedometer spray strategy test timer towel traffic vault visor wallet warehouse barricade bulldozer call cube dresser flying stool beanie hockey cricket boules ping map-pin letter users checkerboard poker court devices baseball football golf seatbelt stethoscope syringe pill hand-coins hand-deposit hand-soap hand-swipe hand-tap hand-withdraw person-simple plugs pentagram parachute-'.split(
    ' ',
  );
const WITHIN =
  /slash|arrow|-simple|hourglass-|shield-|-line$|-label$|-move$|-user$|-rolling$|-battery$|-warning$|-logo$|-x$|plus|minus|text|-straight$|-half|-bookmark$|bookmark|picnic|-metal$|-folded$|pipe-wrench|-egg-crack/;

const left = (name: string): boolean =>
  WITHIN.test(name) || PREFIXES.some((prefix) => name === prefix || name.startsWith(`${prefix}-`));

/** Shapes whose filled drawing is a tile with the thing cut out of it: their heavy outline is the thing itself. */
const OUTLINED = new Set(['waves', 'stairs', 'snowflake', 'lasso']);

const folder = join(ROOT, 'node_modules/@phosphor-icons/core/assets');
const fileOf = (name: string): string =>
  OUTLINED.has(name) ? join(folder, 'bold', `${name}-bold.svg`) : join(folder, 'fill', `${name}-fill.svg`);
const symbols = icons
  .filter(({ name, categories }) => categories.some((one) => SUBJECTS.has(one)) && !left(name))
  .flatMap(({ name, tags }) => {
    const read = readSvg(new Uint8Array(readFileSync(fileOf(name))));
    if (!read.ok) throw new Error(`${name}: ${read.fault.code}`);
    const { ratio, paths } = read.value;
    const words = [...new Set(tags.filter((tag) => !tag.startsWith('*')).map((tag) => tag.toLowerCase()))];
    return [
      {
        id: name,
        words,
        ratio: Math.round(ratio * 1000) / 1000,
        d: paths.map(({ d }) => d.replace(/\d+\.\d+/g, (n) => String(Math.round(Number(n) * 10) / 10))).join(''),
      },
    ];
  });
writeFileSync(join(ROOT, 'assets/symbols/symbols.json'), `${JSON.stringify(symbols)}\n`);
console.log(`${symbols.length} symbols`);
