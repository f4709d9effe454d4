import { useLiveQuery } from 'dexie-react-hooks';
import { type ReactNode, useMemo } from 'react';
import { sayFault } from '../../messages/say';
import { keepLengths, loadLengths } from '../../persist/measures';
import { type LengthUnit, LengthsProvider } from '../../ui/lengths';

/** Shows all lengths in what the person measures in. */
export function Lengths({ children }: { children: ReactNode }) {
  const unit = useLiveQuery(loadLengths) ?? 'mm';
  const value = useMemo(
    () => ({
      unit,
      set: (to: LengthUnit): void => {
        keepLengths(to).then(
          (done) => done.ok || sayFault(done.fault),
          () => sayFault({ code: 'store-failed', data: {} }),
        );
      },
    }),
    [unit],
  );
  return <LengthsProvider value={value}>{children}</LengthsProvider>;
}
