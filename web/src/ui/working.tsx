import { Button } from './button';

/** A job under way: how far it is, and a way to stop it. */
export function Working(props: { label: string; done: number; onStop(): void }) {
  const percent = Math.round(props.done * 100);
  return (
    <div className="flex items-center gap-3">
      <div
        className="flex-1"
        role="progressbar"
        aria-label={props.label}
        aria-valuenow={percent}
        aria-valuemin={0}
        aria-valuemax={100}
      >
        <p className="flex justify-between text-xs text-ink-2">
          {props.label} <span className="font-mono">{percent} %</span>
        </p>
        <div className="mt-1 h-1 bg-line">
          <div className="h-full bg-ink" style={{ width: `${percent}%` }} />
        </div>
      </div>
      <Button onClick={props.onStop}>Stop</Button>
    </div>
  );
}
