const urls = import.meta.glob<string>(
  ['../../../assets/symbols/symbols.json', '../../../assets/symbols/silhouettes/*.json'],
  {
    query: '?url',
    import: 'default',
    eager: true,
  },
);

/** Addresses of the files of the symbols, by their names without folder and ending. */
const ADDRESS = new Map(Object.entries(urls).map(([path, url]) => [/([\w-]+)\.json$/.exec(path)?.[1], url]));

/** Address of the file of the plain symbols. */
export const SYMBOLS_URL = ADDRESS.get('symbols') ?? '';
/** Address of the list of the detailed silhouettes. */
export const SILHOUETTES_URL = ADDRESS.get('names') ?? '';
/** Address of one packet of their outlines. */
export const packetUrl = (packet: number): string => ADDRESS.get(`packet-${packet}`) ?? '';
