import { NavLink } from 'react-router';

/** Two ways to a mockup. */
export function MockupKinds() {
  const look =
    'flex-1 border-b-3 border-transparent px-1 py-1.5 text-center text-xs text-ink-2 hover:text-ink aria-[current=page]:border-ink aria-[current=page]:font-semibold aria-[current=page]:text-ink';
  return (
    <nav aria-label="Kind of mockup" className="mx-3 mb-3 flex border-b border-line">
      <NavLink end to="../mockups" className={look}>
        Objects
      </NavLink>
      <NavLink to="../mockups/photograph" className={look}>
        Photograph
      </NavLink>
    </nav>
  );
}
