/** The tables in the order of loading. */
export const tableNames = ['campaigns', 'places', 'groups', 'keywords', 'negatives', 'ads', 'extras', 'pages', 'page-rules'] as const;
export type TableName = (typeof tableNames)[number];

/** The most lines of a kind that a table of ads holds. */
export const mostLines = { headline: 15, description: 4 } as const;

const lineFields = (kind: keyof typeof mostLines) =>
  Array.from({ length: mostLines[kind] }, (_, index) => [`${kind} ${index + 1}`, `${kind} ${index + 1} fixed at`]).flat();

/** The most conditions that a row of rules over pages holds. */
export const mostPageConditions = 3;
const pageConditionFields = Array.from({ length: mostPageConditions }, (_, index) =>
  ['field', 'comparison', 'value'].map((part) => `page ${part} ${index + 1}`),
).flat();

/** What a row of each table can say. `row` is the kind of row, for tables of several kinds. */
export const tableFields: Readonly<Record<TableName, readonly string[]>> = {
  campaigns: [
    'row',
    'campaign',
    'state',
    'goal',
    'daily budget',
    'currency',
    'bidding',
    'bid',
    'network',
    'languages',
    'who counts',
    'start',
    'end',
    'rotation',
    'open hours',
    'time zone',
    'spending',
    'share of appearances',
    'devices',
    'ages left out',
    'genders left out',
    'audiences',
    'kept off',
    'tracking',
    'driven by',
    'page domain',
    'page source',
    'pages left out',
  ],
  places: ['row', 'campaign', 'place', 'country', 'place kind', 'region', 'region code', 'radius km', 'use', 'latitude', 'longitude'],
  groups: ['row', 'campaign', 'group', 'bid', 'landing page', 'labels', 'note', 'page rule'],
  keywords: ['row', 'campaign', 'group', 'keyword', 'match', 'bid', 'landing page', 'labels', 'note'],
  negatives: ['row', 'level', 'campaign', 'group', 'negative', 'match'],
  ads: [
    'row',
    'campaign',
    'group',
    'ad',
    'format',
    'master',
    ...lineFields('headline'),
    ...lineFields('description'),
    'path 1',
    'path 2',
    'landing page',
    'counting address',
    'differs in',
    'judged by',
    'judged on',
  ],
  extras: [
    'row',
    'extra',
    'campaign',
    'group',
    'text',
    'extra description 1',
    'extra description 2',
    'address',
    'header',
    'values',
    'price rows',
    'phone',
    'country',
    'open hours',
    'start',
    'end',
    'offer code',
    'least order',
    'shared set',
  ],
  pages: ['row', 'page', 'page title', 'page price', 'page labels', 'page group'],
  'page-rules': ['row', 'campaign', 'group', 'rule use', 'bid', ...pageConditionFields],
};

/** Every field there is, once. */
export const fieldNames: readonly string[] = [...new Set(Object.values(tableFields).flat())];

/** What a row of a table is called, where a table holds rows of several kinds. */
export const rowWords: Readonly<Record<TableName, string>> = {
  campaigns: 'campaign',
  places: 'place',
  groups: 'ad group',
  keywords: 'keyword',
  negatives: 'negative keyword',
  ads: 'ad',
  extras: 'extra',
  pages: 'page',
  'page-rules': 'page rule',
};

/** Fields that hold amounts or counts and nothing else. */
export const numberFields: ReadonlySet<string> = new Set([
  'daily budget',
  'bid',
  'share of appearances',
  'least order',
  'page price',
  'radius km',
  'latitude',
  'longitude',
  ...(['headline', 'description'] as const).flatMap((kind) =>
    Array.from({ length: mostLines[kind] }, (_, index) => `${kind} ${index + 1} fixed at`),
  ),
]);
