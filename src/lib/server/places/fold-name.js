/**
 * Folds letters so that names are found with and without marks. Plain JavaScript, because the script that lays
 * out the place data uses it too.
 * @param {string} name
 */
export const foldName = (name) =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/ø/g, 'o')
    .replace(/ł/g, 'l')
    .replace(/đ|ð/g, 'd')
    .replace(/æ/g, 'ae')
    .replace(/œ/g, 'oe')
    .replace(/ß/g, 'ss')
    .replace(/þ/g, 'th')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
