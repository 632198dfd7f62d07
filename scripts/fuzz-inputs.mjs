/** Seeded hostile inputs over every endpoint: bodies that are nearly right, broken, or something else altogether. */
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

const circle = { kind: 'city', country: 'GB', code: 'GB.SCT', latitude: 55.95, longitude: -3.19, radiusKm: 20, excluded: false };
const campaign = {
  moneyMinor: 10_000,
  startingBidMinor: 60,
  hoursShare: 0.5,
  conversionRate: 0.05,
  groups: [
    {
      name: 'a',
      bidMinor: 70,
      conversionRate: 0.1,
      keywords: [
        { text: 'piano tuning', match: 'exact', bidMinor: 80, searches: [320, 500], prices: [40, 100] },
        {
          text: 'piano tuner',
          match: 'phrase',
          searches: [10, 90],
          prices: [
            [20, 40],
            [50, 70],
          ],
          own: { impressions: 200, clickThrough: 0.1 },
        },
      ],
    },
  ],
};
const mark = { text: 'piano tuning', match: 'broad', bid: 120 };
const market = { places: [circle], languages: ['en'], currency: 'GBP', seed: 1 };

/** What each endpoint wants, to be spoilt; `:plan` is the id of a plan, `:step` and the like are numbers. @param {any} plan a plan file */
const endpoints = (plan) => [
  [
    'POST',
    '/api/measure',
    {
      text: 'Piano [[keyword|Tuning|title]]',
      limit: 30,
      language: 'en',
      keywords: ['piano tuner'],
      values: { offer: 'Sale' },
      always: ['UK'],
    },
  ],
  [
    'POST',
    '/api/answer',
    { language: 'en', searches: ['piano tuning cost'], negatives: [mark], groups: [{ name: 'a', keywords: [mark], negatives: [mark] }] },
  ],
  ['POST', '/api/places/reach', { places: [circle] }],
  ['POST', '/api/estimate', campaign],
  ['POST', '/api/estimate/curve', { ...campaign, bidsMinor: [50, 80], stepMinor: 5 }],
  ['POST', '/api/estimate/best', { ...campaign, stepMinor: 10, highestMinor: 200 }],
  [
    'POST',
    '/api/verdicts/propose',
    {
      brief: {
        language: 'en',
        goal: 'calls',
        offer: 'Piano tuning',
        sells: 'service',
        places: [circle],
        notOffered: ['x'],
        rivals: ['y'],
        ownName: 'z',
      },
      finds: ['piano tuning leith', 'x y'],
    },
  ],
  ['POST', '/api/places/match', { text: 'Edinburgh, 10 km\n- Fife', near: 'GB', zone: 'Europe/London' }],
  ['POST', '/api/places/named', { words: ['leith', 'perth'], places: [{ ...circle, name: 'Edinburgh' }] }],
  ['POST', '/api/market/figures', { ...market, texts: ['piano tuning'] }],
  ['POST', '/api/market/results', { texts: ['piano tuning'] }],
  ['POST', '/api/market/competition', { ...market, texts: ['piano tuning'], ownSite: 'ottlemere.example' }],
  ['POST', '/api/pages', { html: '<h1>Tuning</h1><p>Fixed price</p>' }],
  ['POST', '/api/tables?name=a.csv', 'Campaign,Keyword\na,"b\nc"\n'],
  ['POST', '/api/tables/list', 'piano tuning;100\nupright;x\n'],
  ['POST', '/api/plans', plan],
  [
    'POST',
    '/api/plans/:plan/changes',
    { id: 'fuzz', revision: 1, change: { type: 'set', record: 'brief', ids: [':plan'], fields: { offer: 'Tuning' }, was: { offer: 'x' } } },
  ],
  [
    'POST',
    '/api/plans/:plan/changes',
    {
      id: 'fuzz',
      revision: 1,
      change: {
        type: 'several',
        name: 'pasted',
        changes: [
          {
            type: 'add',
            record: 'negative',
            rows: [
              {
                id: 'fuzz',
                campaignId: null,
                groupId: null,
                text: 'x',
                match: 'phrase',
                findId: null,
                briefItemId: null,
                wordVerdictId: null,
                position: 0,
              },
            ],
          },
        ],
      },
    },
  ],
  ['POST', '/api/plans/:plan/changes', { id: 'fuzz', revision: 1, change: { type: 'undo' } }],
  ['POST', '/api/plans/:plan/versions', { name: 'Before' }],
  ['POST', '/api/plans/:plan/finds', '{"id":"fuzz","key":"x","name":"pasted"}\n{"record":"find"}\n'],
  [
    'POST',
    '/api/workspace/changes',
    { id: 'fuzz', revision: 1, change: { type: 'set', record: 'plan', ids: [':plan'], fields: { name: 'x' } } },
  ],
  ['POST', '/api/accounts/none/currency', { currency: 'EUR', rate: 1.2 }],
  ['GET', '/api/plans/:plan/changes?since=1', null],
  ['GET', '/api/plans/:plan/steps/1', null],
  ['GET', '/api/plans/:plan/versions/1', null],
  ['GET', '/api/plans/:plan/proof', null],
  ['GET', '/api/plans/:plan/tables/keywords.csv?layout=x', null],
  ['GET', '/api/plans/:plan/finds/finds.csv?verdict=keep', null],
  ['GET', '/api/places?q=leith&near=GB&zone=Europe/London', null],
  ['GET', '/api/places/shapes/GB', null],
];

const hostile = [
  null,
  true,
  -1,
  0,
  1.5,
  1e308,
  -1e308,
  2 ** 53,
  '',
  ' ',
  '\u0000',
  '\u202e',
  '👩‍👩‍👧',
  '[[',
  '[[keyword|',
  '=cmd|x',
  "'; DROP TABLE plan; --",
  '../../etc/passwd',
  '__proto__',
  'x'.repeat(10_001),
  'ﬀ'.repeat(300),
  [],
  {},
  [[]],
  { __proto__: 1 },
  [null, null],
  'null',
  'NaN',
  '2027-02-30',
  'exact',
  'GB',
  'zz',
];

/** Chance from a seed. @param {number} seed */
function chances(seed) {
  const source = xoroshiro128plus(seed);
  const below = (/** @type {number} */ most) => uniformInt(source, 0, most - 1);
  return { below, pick: (/** @type {any[]} */ list) => list[below(list.length)] };
}

/** A copy of a value with one or two of its places spoilt. @param {any} value @param {ReturnType<typeof chances>} chance */
function spoil(value, chance) {
  const copy = structuredClone(value);
  for (let round = 0; round <= chance.below(2); round++) {
    let owner = copy;
    let keys = Object.keys(owner);
    if (keys.length === 0) return copy;
    let key = chance.pick(keys);
    while (owner[key] !== null && typeof owner[key] === 'object' && chance.below(4) > 0 && Object.keys(owner[key]).length > 0) {
      owner = owner[key];
      keys = Object.keys(owner);
      key = chance.pick(keys);
    }
    const deed = chance.below(5);
    if (deed === 0) delete owner[key];
    else if (deed === 1 && Array.isArray(owner)) owner.push(structuredClone(owner[key]));
    else if (deed === 2) owner[chance.pick(hostile.map(String))] = chance.pick(hostile);
    else owner[key] = chance.pick(hostile);
  }
  return copy;
}

/** A body as it goes out. @param {any} body @param {ReturnType<typeof chances>} chance */
function bodyOf(body, chance) {
  if (typeof body === 'string') {
    const at = chance.below(body.length);
    return body.slice(0, at) + String(chance.pick(hostile)) + body.slice(at);
  }
  const kind = chance.below(12);
  if (kind === 0) return '{'.repeat(1 + chance.below(200));
  if (kind === 1) return new Uint8Array([0xff, 0xfe, 0x80, chance.below(256)]);
  if (kind === 2) return JSON.stringify(chance.pick(hostile)) ?? '';
  const text = JSON.stringify(spoil(body, chance));
  return kind === 3 ? text.slice(0, chance.below(text.length)) : text;
}

/**
 * Asks a server so many hostile things, and answers what was wrong: a status of 500 or more, an error without a code, a slow answer, or a plan
 * that is no longer as it was after a refusal.
 * @param {{ address: string, inputs: number, seed: number, mostMs?: number }} asked
 * @returns {Promise<{ asked: number, refused: number, wrong: string[] }>}
 */
export async function fuzz({ address, inputs, seed, mostMs = Infinity }) {
  const chance = chances(seed);
  const read = async (/** @type {string} */ path) => (await fetch(address + path)).json();
  const [{ id: plan }] = (await read('/api/plans')).plans;
  const all = endpoints(await read(`/api/plans/${plan}`));
  const revision = async () => (await read(`/api/plans/${plan}/changes?since=999999999`)).revision;
  let known = await revision();
  let refused = 0;
  /** @type {string[]} */
  const wrong = [];
  for (let number = 0; number < inputs; number++) {
    const [method, path, template] = chance.pick(all);
    let to = path.replaceAll(':plan', chance.below(10) === 0 ? encodeURIComponent(String(chance.pick(hostile))).slice(0, 500) : plan);
    if (method === 'GET' && chance.below(2) === 0)
      to = to.replace(/[^/?&=]+$/, encodeURIComponent(String(chance.pick(hostile))).slice(0, 2000));
    const body = template === null ? undefined : bodyOf(template, chance);
    const sent = typeof body === 'string' ? body.replaceAll(':plan', plan) : body;
    const what = `${method} ${to.slice(0, 120)} ${String(sent ?? '').slice(0, 300)} (input ${number} of seed ${seed})`;
    const from = performance.now();
    const response = await fetch(address + to, {
      method,
      headers: { origin: address, ...(sent !== undefined && { 'content-type': 'application/json' }) },
      body: /** @type {any} */ (sent),
    });
    const text = await response.text();
    const isStream = path.startsWith('/api/market');
    if (performance.now() - from > mostMs && !isStream) wrong.push(`${Math.round(performance.now() - from)} ms: ${what}`);
    if (response.status >= 500) wrong.push(`${response.status}: ${what}: ${text.slice(0, 200)}`);
    if (response.status < 400) {
      known = await revision();
      continue;
    }
    refused++;
    if (!/"code":/.test(text)) wrong.push(`no code: ${what}: ${text.slice(0, 200)}`);
    const now = await revision();
    if (now !== known) wrong.push(`written though refused: ${what}`);
    known = now;
  }
  return { asked: inputs, refused, wrong };
}
