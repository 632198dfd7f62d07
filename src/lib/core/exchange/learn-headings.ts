import words from './heading-words.json';
import { mostLines, tableFields, tableNames, type TableName } from '../records/table-fields';

const plain = (heading: string) =>
  heading
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[\p{P}\p{S}\s]+/gu, ' ')
    .replace(/(\p{L})(\d)/gu, '$1 $2')
    .trim();

const fieldByWord = new Map(Object.entries(words.fields).flatMap(([field, list]) => list.map((word) => [plain(word), field] as const)));

/** A numbered line such as “Headline 3”, or where it is fixed. */
function findLineField(heading: string): string | null {
  for (const kind of ['headline', 'description'] as const)
    for (const word of words[kind]) {
      const [, number = '', rest = ''] = new RegExp(`^${plain(word)} ?(\\d{1,2})(?: (.*))?$`, 'u').exec(heading) ?? [];
      if (number === '' || Number(number) < 1 || Number(number) > mostLines[kind]) continue;
      if (rest === '') return `${kind} ${Number(number)}`;
      if (words.fixedAt.some((fixed) => plain(fixed) === rest)) return `${kind} ${Number(number)} fixed at`;
    }
  return null;
}

/** The field that a heading means, by the word list; null where it tells nothing. */
export function findField(heading: string): string | null {
  const text = plain(heading);
  return fieldByWord.get(text) ?? findLineField(text);
}

/** Fields that only rows of one kind have, the most telling first. */
const telling: readonly [TableName, RegExp][] = [
  ['ads', /^(?:headline|description) \d+$/],
  ['negatives', /^negative$/],
  ['keywords', /^keyword$/],
  ['places', /^place$/],
  ['pages', /^page$/],
  ['page-rules', /^rule use$/],
  ['extras', /^(?:text|extra description \d|values|price rows|phone)$/],
];

/** The kinds of rows that a table with these fields holds; campaigns and groups come along where several kinds do. */
export function findKinds(fields: readonly string[]): TableName[] {
  const kinds = telling.filter(([, pattern]) => fields.some((field) => pattern.test(field))).map(([kind]) => kind);
  const own = new Set(fields);
  const belongs = (table: TableName) => fields.filter((field) => tableFields[table].includes(field)).length;
  if (kinds.length === 1) return kinds;
  if (kinds.length > 1) {
    const owners: TableName[] = own.has('group') ? ['campaigns', 'groups'] : ['campaigns'];
    return tableNames.filter((name) => kinds.includes(name) || owners.includes(name));
  }
  if (belongs('groups') > 1 && own.has('group')) return ['groups'];
  return own.has('campaign') ? ['campaigns'] : [];
}
