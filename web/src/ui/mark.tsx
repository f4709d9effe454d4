/** A sideways glance. */
export function Mark({ size = 24, className = '' }: { size?: number; className?: string }) {
  return (
    <svg viewBox="0 0 28 28" width={size} height={size} className={className} aria-hidden fill="none">
      <path
        d="M3 14C8.5 7.2 19.5 7.2 25 14 19.5 20.8 8.5 20.8 3 14Z"
        stroke="currentColor"
        strokeWidth="2"
        strokeLinejoin="round"
      />
      <circle cx="17.6" cy="14" r="3.9" fill="currentColor" />
    </svg>
  );
}
