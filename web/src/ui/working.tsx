import { Button } from './button';

/** A job under way: how far it is, 0 to 1, null where nobody knows, and a way to stop it where there is one. */
export function Working(props: { label: string; done: number | null; onStop?: (() => void) | undefined }) {
  const percent = props.done === null ? null : Math.round(props.done * 100);
  return (
    <div className="flex items-center gap-3">
      <div
        className="flex-1"
        role="progressbar"
        aria-label={props.label}
        aria-valuenow={percent ?? undefined}
        aria-valuemin={0}
        aria-valuemax={100}
      >
        <p className="flex justify-between text-xs text-ink-2">
          {props.label} {percent !== null && <span className="font-mono">{percent} %</span>}
        </p>
        <div className="mt-1 h-1 bg-line">
          {percent === null ? (
            <div className="h-full w-1/3 animate-pulse bg-ink" />
          ) : (
            <div className="h-full bg-ink" style={{ width: `${percent}%` }} />
          )}
        </div>
      </div>
      {props.onStop && <Button onClick={props.onStop}>Stop</Button>}
    </div>
  );
}
