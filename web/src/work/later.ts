type Tools = Record<string, (...input: never[]) => unknown>;

/** The same functions, each answering in its own time. */
type Later<T extends Tools> = {
  [K in keyof T]: (...input: Parameters<T[K]>) => Promise<Awaited<ReturnType<T[K]>>>;
};

/** Functions whose code is loaded when one of them is first called; `names` are all of them. */
export function later<T extends Tools>(names: Readonly<Record<keyof T, true>>, load: () => Promise<T>): Later<T> {
  const made = Object.keys(names).map((name) => [name, async (...input: never[]) => (await load())[name](...input)]);
  return Object.fromEntries(made) as Later<T>;
}
