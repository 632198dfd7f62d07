/** A language by its base code, without country or script; Norwegian is one language, however it is written (`nb`, `nn`, `no`). */
export function baseLanguage(language: string): string {
  const base = language.toLowerCase().split('-')[0] ?? '';
  return base === 'nb' || base === 'nn' ? 'no' : base;
}
