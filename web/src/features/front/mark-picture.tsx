import type { Form } from '@yosomi/core/cover';

/** A mark as a small picture. Its outlines were read and rewritten by the core; only path data reaches the page. */
export function MarkPicture({ form, className }: { form: Extract<Form, { kind: 'drawn' }>; className?: string }) {
  return (
    <svg viewBox={`0 0 ${Math.round(1000 * form.ratio)} 1000`} className={className} aria-hidden>
      {form.paths.map((path, i) => (
        <path key={i} d={path.d} fill={path.colour ?? 'currentColor'} />
      ))}
    </svg>
  );
}
