const names = new Intl.DisplayNames('en', { type: 'language' });

/** Languages that can be chosen, the ones with stems and stop words first. */
const codes = [
  'en',
  'nb',
  'de',
  'fr',
  'es',
  'it',
  'nl',
  'sv',
  'da',
  'pt',
  'fi',
  'pl',
  'cs',
  'sk',
  'hu',
  'ro',
  'bg',
  'el',
  'tr',
  'uk',
  'ru',
  'et',
  'lv',
  'lt',
  'is',
  'ga',
  'cy',
  'ca',
  'hr',
  'sl',
  'sr',
  'he',
  'ar',
  'fa',
  'hi',
  'bn',
  'ur',
  'id',
  'ms',
  'th',
  'vi',
  'ja',
  'ko',
  'zh',
];

/** A language's name in English. */
export const languageName = (code: string) => names.of(code) ?? code;

/** For choosing a language. */
export const languageItems = codes.map((value) => ({ value, name: languageName(value) }));
