const urls = import.meta.glob<string>('../../../assets/symbols/symbols.json', {
  query: '?url',
  import: 'default',
  eager: true,
});

/** Address of the file of the symbols that ship. */
export const [SYMBOLS_URL] = Object.values(urls);
