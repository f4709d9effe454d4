import { Working } from '../../ui/working';
import { MadeReport } from './made-report';
import { stopMaking, useMaking } from './making';

/** How far the making of titles is, and what became of the last ones. */
export function Making() {
  const { now, last } = useMaking();
  return (
    <>
      {now && (
        <div className="mb-6 max-w-xl">
          <Working
            label={now.of === 1 ? 'Making a title' : `Making titles, ${now.done} of ${now.of}`}
            done={now.of === 0 ? 1 : now.done / now.of}
            onStop={stopMaking}
          />
        </div>
      )}
      {last && <MadeReport last={last} />}
    </>
  );
}
