const urls = import.meta.glob<string>('../../../assets/photographs/*.jpg', {
  query: '?url',
  import: 'default',
  eager: true,
});

/** Addresses of the photographs that ship with the app, by name. */
export const demoPhotographUrl = (name: string): string | null =>
  urls[`../../../assets/photographs/${name}.jpg`] ?? null;
