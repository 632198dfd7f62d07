const files = import.meta.glob<string>('./migrations/*.sql', {
  query: '?raw',
  import: 'default',
  eager: true,
});

/** The migrations' SQL in the order of their numbers; the first has number 1. A landed one never changes. */
export const migrations: readonly string[] = Object.keys(files)
  .sort()
  .map((name) => files[name] ?? '');
