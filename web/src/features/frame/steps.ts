/** The steps of a title, in the order of the work. Any can be opened at any time. */
export const STEPS = [
  { path: 'brief', label: 'Brief' },
  { path: 'sketches', label: 'Sketches' },
  { path: 'front', label: 'Front' },
  { path: 'glance', label: 'Glance' },
  { path: 'mockups', label: 'Mockups' },
  { path: 'promos', label: 'Promos' },
  { path: 'deliver', label: 'Deliver' },
] as const;
