/** Stop words by language; the package ships no types. */
declare module 'stopword' {
  export const dan: string[], deu: string[], eng: string[], fra: string[], ita: string[];
  export const nld: string[], nob: string[], por: string[], spa: string[], swe: string[];
}
