import { DEMANDS, DEMAND_CODES, type Demand, type Profile, asks } from '@yosomi/core/stores';
import { Check, CircleAlert, Pencil, TriangleAlert } from 'lucide-react';
import { sentenceOf } from '../../messages/sentences';
import { Tip } from '../../ui/tip';
import { DEMAND_NAMES, demandText } from './demand-words';
import type { Row } from './use-deliver';

type State = 'pass' | 'may' | 'fail' | 'unknown';

/** What this title's file says to a demand: unknown while there is no file of the present cover. */
function stateOf(row: Row | undefined, demand: Demand): { state: State; why: string } {
  const codes = DEMAND_CODES[demand];
  if (row?.fault && codes.includes(row.fault.code)) return { state: 'fail', why: sentenceOf(row.fault) };
  if (!row?.made || row.stale) return { state: 'unknown', why: '' };
  const found = row.made.findings.filter((f) => codes.includes(f.code));
  const grave = found.find((f) => f.severity === 'must') ?? found.find((f) => f.severity === 'should');
  if (!grave) return { state: 'pass', why: '' };
  return { state: grave.severity === 'must' ? 'fail' : 'may', why: sentenceOf(grave) };
}

const LOOK = {
  pass: { Icon: Check, colour: 'text-pass', word: 'Met' },
  may: { Icon: TriangleAlert, colour: 'text-may', word: 'Mind' },
  fail: { Icon: CircleAlert, colour: 'text-fail', word: 'Not met' },
} as const;

/** Stores across, demands down, and in each cell what is wanted and whether this title's file meets it. */
export function StoreTable(props: {
  profiles: readonly Profile[];
  sold: readonly string[];
  rows: readonly Row[];
  onSold(id: string, sold: boolean): void;
  onEdit(profile: Profile): void;
}) {
  const { profiles, sold, rows } = props;
  return (
    <div className="shrink-0 overflow-x-auto" tabIndex={0} role="group" aria-label="Stores and what they ask">
      <table className="border-collapse text-left text-xs">
        <thead>
          <tr className="border-b border-edge align-bottom">
            <th className="sticky left-0 z-10 w-28 bg-paper pr-3 pb-2 font-normal text-ink-2">Demand</th>
            {profiles.map((profile) => (
              <th key={profile.id} className="min-w-32 px-2.5 pb-2" scope="col">
                <span className="flex items-start justify-between gap-1">
                  <span className="text-sm leading-tight font-semibold">{profile.name}</span>
                  <Tip text={`Change ${profile.name}`}>
                    <button
                      type="button"
                      aria-label={`Change ${profile.name}`}
                      onClick={() => props.onEdit(profile)}
                      className="rounded-sm p-0.5 text-ink-2 hover:text-ink"
                    >
                      <Pencil size={13} />
                    </button>
                  </Tip>
                </span>
                <label className="mt-1.5 flex items-center gap-1.5 font-normal">
                  <input
                    type="checkbox"
                    className="size-3.5 accent-ink"
                    checked={sold.includes(profile.id)}
                    aria-label={`Sold at ${profile.name}`}
                    onChange={(e) => props.onSold(profile.id, e.target.checked)}
                  />
                  Sold there
                </label>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {DEMANDS.map((demand) => (
            <tr key={demand} className="border-b border-line align-top">
              <th scope="row" className="sticky left-0 z-10 bg-paper py-2 pr-3 font-semibold">
                {DEMAND_NAMES[demand]}
              </th>
              {profiles.map((profile) => {
                const row = rows.find((r) => r.wanted.store === profile.id);
                const here = sold.includes(profile.id);
                const { state, why } = stateOf(row, demand);
                const mark = here && asks(profile, demand) && state !== 'unknown' ? LOOK[state] : null;
                return (
                  <td
                    key={profile.id}
                    data-cell={`${profile.id}/${demand}`}
                    data-state={asks(profile, demand) && here ? state : 'none'}
                    className={`px-2.5 py-2 ${here ? '' : 'text-ink-3'}`}
                  >
                    {asks(profile, demand) ? (
                      <span className="flex items-start gap-1">
                        {mark && (
                          <mark.Icon size={13} aria-label={mark.word} className={`mt-px shrink-0 ${mark.colour}`} />
                        )}
                        <span>
                          {demandText(profile, demand)}
                          {why && <span className={`block ${mark?.colour ?? ''}`}>{why}</span>}
                        </span>
                      </span>
                    ) : (
                      <span className="text-ink-3" aria-label="Not asked">
                        –
                      </span>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
