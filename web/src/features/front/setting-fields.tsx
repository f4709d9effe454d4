import type { Shared, WordsPart } from '@yosomi/core/cover';
import { NumberField } from '../../ui/number-field';

/** Tracking and leading of one line of words or of several, mixed where these differ. */
export function SettingFields(props: {
  tracking: Shared<number>;
  leading: Shared<number>;
  set(what: string, fields: Pick<WordsPart, 'tracking'> | Pick<WordsPart, 'leading'>, merge: string | false): void;
}) {
  const { tracking, leading, set } = props;
  return (
    <>
      <NumberField
        label="Tracking"
        mixed={tracking.mixed && 'mixed'}
        value={Math.round(tracking.value * 1000)}
        least={-200}
        most={1000}
        step={5}
        onChange={(v, d) => set('Tracking', { tracking: v / 1000 }, d && 'tracking')}
      />
      <NumberField
        label="Leading"
        mixed={leading.mixed && 'mixed'}
        value={leading.value}
        least={0.5}
        most={3}
        step={0.02}
        digits={2}
        onChange={(v, d) => set('Leading', { leading: Math.round(v * 100) / 100 }, d && 'leading')}
      />
    </>
  );
}
