/** The made-up domain of a made-up name. */
export const domainOf = (name: string) =>
  `${name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/ø/g, 'o')
    .replace(/æ/g, 'ae')
    .replace(/å/g, 'a')
    .replace(/[^a-z0-9]+/gi, '-')
    .toLowerCase()}.example`;
