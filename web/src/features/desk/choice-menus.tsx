import { COLOURS, type DeskAsk, PLACES, SHAPES } from '@yosomi/core/desk';
import { HANDS, HAND_NAMES } from '@yosomi/core/paintings';
import { Menu, type MenuGroup } from '../../ui/menu';
import { PLACE_NAMES, SHAPE_NAMES, capital, colourName } from './names';

/** What stands for no choice. */
export const ANY = 'any';

const menu = <T extends string>(
  title: string,
  any: string,
  values: readonly T[],
  name: (value: T) => string,
): MenuGroup[] => [
  { title, options: [{ value: ANY, label: any }, ...values.map((value) => ({ value, label: name(value) }))] },
];

/** What can be asked beside the words. */
const CHOICES = {
  quiet: menu('Where words fit', 'Words anywhere', PLACES, (place) => `Words ${PLACE_NAMES[place].toLowerCase()}`),
  hand: menu('How it is painted', 'Every hand', HAND_NAMES, (hand) => HANDS[hand].name),
  colour: menu('Colours in it', 'Every colour', COLOURS, colourName),
  tone: menu('How light it is', 'Light and dark', ['light', 'dark'] as const, capital),
  shape: menu('Its shape', 'Every shape', SHAPES, (shape) => SHAPE_NAMES[shape]),
  detail: menu('How much is in it', 'Calm and busy', ['calm', 'busy'] as const, capital),
} as const;
export type Choice = keyof typeof CHOICES;

export const ALL_CHOICES = Object.keys(CHOICES) as Choice[];
/** Those that can be asked of any picture: by whose hand a photograph is, nobody knows. */
export const OWN_CHOICES = ALL_CHOICES.filter((choice): choice is Exclude<Choice, 'hand'> => choice !== 'hand');

/** A menu for each choice. */
export function ChoiceMenus<C extends Choice>(props: {
  choices: readonly C[];
  ask: Pick<DeskAsk, C>;
  onChoose(choice: C, value: string): void;
}) {
  return props.choices.map((choice) => (
    <div key={choice} className="w-36">
      <Menu
        label={CHOICES[choice][0].title}
        value={props.ask[choice] ?? ANY}
        groups={CHOICES[choice]}
        onChange={(value) => props.onChoose(choice, value)}
      />
    </div>
  ));
}
