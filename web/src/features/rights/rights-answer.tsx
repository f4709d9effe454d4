import { ANSWERS, type Answer, type Rights, answered, isUntold } from '@yosomi/core/book';
import type { Asset } from '@yosomi/core/project';
import { Chip, Chips } from '../../ui/chip';
import { TextField } from '../../ui/field';
import { Menu } from '../../ui/menu';
import { Standing } from './standing';

const ANSWER_NAMES: Readonly<Record<Answer, string>> = {
  mine: 'I made it',
  bought: 'Licence bought',
  public: 'Public domain',
  credited: 'Free with credit',
  private: 'Not for sale',
};

const USES: readonly { readonly value: Rights['use']; readonly label: string }[] = [
  { value: 'unknown', label: 'Not told' },
  { value: 'covers', label: 'On covers, not on goods' },
  { value: 'goods', label: 'On covers and on goods' },
  { value: 'none', label: 'Not to be sold' },
];

const LINES = [
  { field: 'maker', label: 'Made by', most: 120, hint: undefined },
  { field: 'licence', label: 'Licence', most: 120, hint: undefined },
  { field: 'source', label: 'Comes from', most: 300, hint: undefined },
  {
    field: 'credit',
    label: 'Credit due',
    most: 300,
    hint: 'It goes onto the ebook’s title page and the credits sheet.',
  },
] as const;

/** By which right a picture is used: one click answers, the lines tell more. Nothing has to be answered. */
export function RightsAnswer(props: {
  asset: Pick<Asset, 'name' | 'rights'>;
  /** Who says “I made it”. */
  author: string;
  /** `merge` names the line that is being typed. */
  onTell(change: Partial<Rights>, merge: string | null): void;
}) {
  const { asset, author } = props;
  const { rights } = asset;
  const tell = (change: Partial<Rights>, merge: string | null = null): void => props.onTell(change, merge);
  return (
    <>
      <Standing rights={rights} />
      <Chips label={`By which right ${asset.name} is used`}>
        {ANSWERS.map((answer) => {
          const whole = answered(rights, answer, { name: asset.name, author });
          return (
            <Chip
              key={answer}
              taken={whole.licence === rights.licence && whole.use === rights.use}
              onTake={() => tell(whole)}
            >
              {ANSWER_NAMES[answer]}
            </Chip>
          );
        })}
      </Chips>
      {isUntold(rights) ? (
        <p className="text-xs text-ink-2">It can wait. Until it is told, the files say that nobody knows.</p>
      ) : (
        <>
          <div className="flex flex-col gap-1">
            <span className="font-semibold" aria-hidden>
              May be sold
            </span>
            <Menu
              label="May be sold"
              value={rights.use}
              onChange={(use) => tell({ use: use as Rights['use'] })}
              groups={[{ title: 'May be sold', options: USES }]}
            />
          </div>
          {LINES.map(({ field, label, most, hint }) => (
            <TextField
              key={field}
              label={label}
              value={rights[field]}
              maxLength={most}
              hint={hint}
              onChange={(text) => tell({ [field]: text }, field)}
            />
          ))}
        </>
      )}
    </>
  );
}
