/** The steps of a title, in the order of the work, each with its key. Any can be opened at any time; `also` are words by which each is looked for. */
export const STEPS = [
  { path: 'brief', label: 'Brief', key: 1, also: 'words title author subtitle series blurb pages metadata isbn text' },
  { path: 'sketches', label: 'Sketches', key: 2, also: 'ideas designs templates compose suggestions start' },
  { path: 'front', label: 'Front', key: 3, also: 'cover edit design page layers' },
  { path: 'glance', label: 'Glance', key: 4, also: 'thumbnail small preview legible readable proof shop' },
  { path: 'mockups', label: 'Mockups', key: 5, also: '3d book render perspective object hardcover paperback' },
  { path: 'promos', label: 'Promos', key: 6, also: 'ad ads social banner graphic marketing post' },
  { path: 'booklet', label: 'Booklet', key: 8, also: 'pages checklist guide sampler interior text lead magnet' },
  { path: 'deliver', label: 'Deliver', key: 7, also: 'files epub stores package zip ebook send' },
] as const;
