/** The steps of a title, in the order of the work. Any can be opened at any time; `also` are words by which each is looked for. */
export const STEPS = [
  { path: 'brief', label: 'Brief', also: 'words title author subtitle series blurb pages metadata isbn text' },
  { path: 'sketches', label: 'Sketches', also: 'ideas designs templates compose suggestions start' },
  { path: 'front', label: 'Front', also: 'cover edit design page layers' },
  { path: 'glance', label: 'Glance', also: 'thumbnail small preview legible readable proof shop' },
  { path: 'mockups', label: 'Mockups', also: '3d book render perspective object hardcover paperback' },
  { path: 'promos', label: 'Promos', also: 'ad ads social banner graphic marketing post' },
  { path: 'deliver', label: 'Deliver', also: 'files epub stores package zip ebook send' },
] as const;
