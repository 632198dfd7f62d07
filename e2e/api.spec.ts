import { expect } from '@playwright/test';
import type { APIRequestContext } from '@playwright/test';
import { testOnDemo as test } from './own-server';
import { planId } from './actions';
import { strFromU8, unzipSync } from 'fflate';

/** Posts as Biblion's own pages do. */
const post = (request: APIRequestContext, url: string, path: string, data: unknown, headers = { origin: url }) =>
  request.post(path, { data: data as object, headers });

const mark = (text: string, match = 'phrase', bid?: number) => ({ text, match, ...(bid !== undefined && { bid }) });

test('measure answers the worked examples', async ({ request, server }) => {
  const measure = async (body: object) =>
    (await post(request, server.url, '/api/measure', { limit: 30, language: 'en', keywords: [], ...body })).json();
  const keywords = ['pitch raise piano', 'piano pitch correction near me', 'piano pitch correction near me cheap'];
  expect(await measure({ text: '[[keyword|Piano Pitch Raise|title]]', keywords })).toEqual({
    units: { shortest: 17, longest: 30 },
    fallbacks: 1,
    readings: [
      { keyword: keywords[0], text: 'Pitch Raise Piano', units: 17, uses: 'keyword' },
      { keyword: keywords[1], text: 'Piano Pitch Correction Near Me', units: 30, uses: 'keyword' },
      { keyword: keywords[2], text: 'Piano Pitch Raise', units: 17, uses: 'fallback' },
    ],
    problems: [],
  });
  expect((await measure({ text: '[[keyword|ok|upper]]', keywords: [keywords[2]] })).readings[0]).toEqual({
    keyword: keywords[2],
    text: 'ok',
    units: 2,
    uses: 'fallback',
  });
  const values = { offer: 'New-year tuning deal', place: 'Town' };
  expect(await measure({ text: '[[offer|Sale]] in [[place|Town]] Today', values })).toMatchObject({
    units: { shortest: 18, longest: 18 },
    fallbacks: 0,
    readings: [],
  });
  expect(
    (await measure({ text: 'x [[place||upper]]', values: { place: 'uk diy' }, always: ['Uk'], keywords: ['a'] })).readings[0].text,
  ).toBe('x Uk DIY');
  expect((await measure({ text: 'ab [[colour]]' })).problems).toEqual([{ code: 'unknown-slot', at: 3, data: { slot: 'colour' } }]);
  expect((await measure({ text: 'ピアノ調律' })).units).toEqual({ shortest: 10, longest: 10 });
  expect((await measure({ text: 'a\u202eb' })).problems).toEqual([{ code: 'direction-sign', at: 1, data: { sign: 'U+202E' } }]);
});

const asking = (request: APIRequestContext, url: string) => async (path: string, body: object) => {
  const answer = await post(request, url, path, body);
  return { status: answer.status(), body: await answer.json() };
};

test('masters, combinations and versions answer, and refuse what is not as described', async ({ request, server }) => {
  const ask = asking(request, server.url);
  const groups = [
    { name: 'Leith', values: { place: 'Leith' }, keywords: ['Bread Ovens', 'clay oven builders of the town'] },
    { name: 'Far', values: {}, keywords: [] },
  ];
  expect(
    (await ask('/api/masters/check', { language: 'en', limit: 22, line: '[[keyword|Ovens|title]] in [[place|Town]]', groups })).body,
  ).toEqual({
    groups: [
      { name: 'Leith', text: 'Ovens in Leith', units: { shortest: 14, longest: 20 }, plan: { place: 'value' }, fallbacks: 1, problems: [] },
      { name: 'Far', text: 'Ovens in Town', units: { shortest: 13, longest: 13 }, plan: { place: 'fallback' }, fallbacks: 0, problems: [] },
    ],
  });
  const headlines = [
    { text: '[[keyword|Ovens|title]]', position: 1 },
    { text: 'Bread Ovens' },
    { text: 'Ovens by Hand' },
    { text: 'Kilns' },
  ];
  const combined = await ask('/api/combinations', {
    language: 'en',
    headlines,
    descriptions: [{ text: 'Fired by hand.' }],
    keywords: ['bread ovens'],
  });
  expect(combined.body).toEqual({
    count: 6,
    repeated: [{ headlines: [0, 1, 2], word: 'ovens', keyword: 'bread ovens' }],
    alike: [{ lines: [0, 1] }],
    longest: [11, 11, 13, 5, 14],
  });
  const compared = await ask('/api/compare-versions', { a: { hits: 56, of: 70 }, b: { hits: 48, of: 80 }, alpha: 0.05, power: 0.8 });
  expect(compared.body).toMatchObject({ decided: 'a' });
  expect(compared.body.difference.map((one: number) => one.toFixed(4))).toEqual(['0.0524', '0.3339']);
  const refused = await ask('/api/compare-versions', { a: { hits: 71, of: 70 }, b: { hits: 48, of: 80 }, alpha: 0.05, power: 0.8 });
  expect(refused).toMatchObject({ status: 422, body: { path: 'a.hits' } });
  expect(
    (await ask('/api/combinations', { language: 'en', headlines: [{ text: 'x', position: 4 }], descriptions: [], keywords: [] })).status,
  ).toBe(422);
});

test('pages go where rules in order send them, and terms are judged by what came of them', async ({ request, server }) => {
  const ask = asking(request, server.url);
  const pages = [
    { address: 'https://www.vellacre.example/frames/ash/', columns: { label: ['spring', 'In stock'] } },
    { address: 'vellacre.example/frames/oak', columns: {} },
    { address: 'vellacre.example/journal', columns: { label: 'spring' } },
    { address: 'vellacre.example/', columns: {} },
  ];
  const frames = { name: 'Frames', when: { field: 'address', is: 'begins', value: 'http://vellacre.example/frames/' } };
  const spring = { name: 'Spring', when: { all: [{ field: 'label', is: 'equals', value: 'Spring' }, { not: { any: [] } }] } };
  const excluded = { field: 'address', is: 'ends', value: 'journal' };
  expect(await ask('/api/page-rules', { pages, rules: [frames, spring], excluded })).toEqual({
    status: 200,
    body: {
      rules: [
        { name: 'Frames', catches: [0, 1], shares: [], only: [1] },
        { name: 'Spring', catches: [], shares: [{ name: 'Frames', pages: [0] }], only: [] },
      ],
      nobody: [3],
      excluded: [2],
    },
  });
  const empty = { name: 'Empty', when: { not: { field: 'label', is: 'holds', value: '' } } };
  expect((await ask('/api/page-rules', { pages, rules: [frames, empty] })).status).toBe(422);

  const term = (text: string, clicks: number, costMinor: number, conversions: number) => ({ text, clicks, costMinor, conversions });
  const terms = [term('old piano', 44, 4444, 5), term('piano app', 88, 9328, 0), term('piano tuner', 84, 9576, 6), term('new', 0, 0, 0)];
  expect((await ask('/api/terms', { affordableMinor: 2976, terms })).body).toEqual({
    terms: [
      { text: 'old piano', judgement: 'converting', clicksNeeded: 0 },
      { text: 'piano app', judgement: 'costing', clicksNeeded: 0 },
      { text: 'piano tuner', judgement: 'promising', clicksNeeded: 7 },
      { text: 'new', judgement: 'too-early', clicksNeeded: null },
    ],
  });
  expect((await ask('/api/terms', { affordableMinor: 2976, terms: [term('x', -1, 0, 0)] })).status).toBe(422);
});

test('verdicts are proposed for finds by a brief alone, in their order, with places looked up', async ({ request, server }) => {
  const leith = { kind: 'city', name: 'Leith', country: 'GB', code: 'GB.SCT', latitude: 55.98, longitude: -3.17, radiusKm: 10 };
  const brief = {
    language: 'en',
    goal: 'calls',
    offer: 'Piano tuning and repair',
    sells: 'service',
    places: [leith],
    notOffered: ['organ'],
  };
  const finds = [
    'Piano tuning Leith',
    'piano tuner cost',
    'piano tuning glasgow',
    'how to tune a piano',
    'organ repair',
    'piano zither',
    '',
  ];
  const answer = await post(request, server.url, '/api/verdicts/propose', { brief: { ...brief, rivals: [], ownName: '' }, finds });
  expect(answer.status()).toBe(200);
  const { finds: proposed } = (await answer.json()) as { finds: { text: string; verdict: string; kind: string; negative: unknown }[] };
  expect(proposed.map(({ text, verdict, kind }) => [text, verdict, kind])).toEqual([
    ['Piano tuning Leith', 'keep', 'wanted'],
    ['piano tuner cost', 'keep', 'price'],
    ['piano tuning glasgow', 'block', 'other-place'],
    ['how to tune a piano', 'block', 'learn'],
    ['organ repair', 'block', 'not-offered'],
    ['piano zither', null, 'unclear'],
    ['', null, 'unclear'],
  ]);
  expect(proposed[2]!.negative).toEqual({ text: 'glasgow', match: 'phrase' });
  expect(Object.keys(proposed[0]!)).toEqual(['text', 'verdict', 'confidence', 'kind', 'because', 'negative']);
  const refused = await post(request, server.url, '/api/verdicts/propose', { brief: { ...brief, sells: 'dreams' }, finds });
  expect([refused.status(), (await refused.json()).path]).toEqual([422, 'brief.sells']);
});

test('estimates follow one model: at the bids there are, along a curve, at the best ones', async ({ request, server }) => {
  const known = { text: 'Piano tuning', searches: [320, 500], prices: [40, 100] };
  const groups = [
    { name: 'Tuning', bidMinor: 80, conversionRate: 0.1, keywords: [known, { ...known, match: 'broad' }, { text: 'piano action' }] },
    {
      name: 'Voicing',
      keywords: [
        {
          text: 'piano voicing',
          searches: [40, 90],
          prices: [
            [20, 40],
            [50, 60],
            [80, 90],
          ],
        },
      ],
    },
  ];
  const campaign = { moneyMinor: 100_000, startingBidMinor: 50, hoursShare: 0.36, groups };
  const answer = await post(request, server.url, '/api/estimate', campaign);
  expect(answer.status(), await answer.text()).toBe(200);
  const said = await answer.json();
  expect(said.keywords.map(({ group, text, match }: Record<string, string>) => [group, text, match])).toEqual([
    ['Tuning', 'Piano tuning', 'exact'],
    ['Tuning', 'Piano tuning', 'broad'],
    ['Tuning', 'piano action', 'exact'],
    ['Voicing', 'piano voicing', 'exact'],
  ]);
  expect(said.keywords[0].clicksAsked[1]).toBeCloseTo(4.869, 3);
  expect(said.keywords[0].costMinor[1]).toBeCloseTo(274.4, 1);
  expect(said.keywords[2]).toMatchObject({ clicksAsked: null, clicks: null, costPerClickMinor: null, costMinor: null });
  expect(said.groups[1]).toMatchObject({ name: 'Voicing', conversions: null });
  expect(said.limit).toEqual({ name: 'hours', leaves: 0.36 });
  expect(said.unknown).toBe(1);
  expect(Object.keys(said)).toEqual(['keywords', 'groups', 'total', 'limit', 'unknown']);

  const { rows } = await (
    await post(request, server.url, '/api/estimate/curve', { ...campaign, bidsMinor: [0, 60, 500], stepMinor: 10 })
  ).json();
  expect(rows.map(({ bidMinor }: { bidMinor: number }) => bidMinor)).toEqual([0, 60, 500]);
  expect(rows[0].total.clicks).toEqual([0, 0, 0]);
  expect(rows[0].nextClickMinor).toBeNull();
  expect(rows[1].nextClickMinor).toBeGreaterThan(0);
  expect(rows[2].nextClickMinor).toBeNull();

  const best = await (await post(request, server.url, '/api/estimate/best', { ...campaign, stepMinor: 10, highestMinor: 300 })).json();
  expect(best.groups).toEqual([
    { name: 'Tuning', bidMinor: 200 },
    { name: 'Voicing', bidMinor: 0 },
  ]);
  const refused = await post(request, server.url, '/api/estimate', { ...campaign, hoursShare: 2 });
  expect([refused.status(), (await refused.json()).path]).toEqual([422, 'hoursShare']);
});

test('groups are proposed for a list alone, kept apart, and keywords built from lists', async ({ request, server }) => {
  const keywords = ['Dog Grooming', 'dog groomer', 'dog grooming cost', 'dog grooming prices', 'cheap dog groomer', 'cat grooming'];
  const list = [
    ...keywords,
    'cat groomer',
    'cat groomer prices',
    'dog nail clipping',
    'dog nails cut',
    'nail clipping dogs',
    'dog grooming',
  ];
  const proposed = await post(request, server.url, '/api/groups/propose', { language: 'en', offer: 'Dog grooming', keywords: list });
  expect(proposed.status(), await proposed.text()).toBe(200);
  const said = await proposed.json();
  expect(Object.keys(said)).toEqual(['groups', 'general', 'leftOver', 'head']);
  expect(said.groups.map(({ name }: { name: string }) => name)).toEqual(
    expect.arrayContaining(['cat groomer', 'dog nail clipping', 'dog grooming prices']),
  );
  expect(said.head).toEqual(['dog', 'groomer']);
  const placed = [...said.groups.flatMap((group: { keywords: string[] }) => group.keywords), ...said.leftOver];
  expect(placed.sort()).toEqual([...new Set(list.map((text) => text.toLowerCase()))].sort());
  const given = await (
    await post(request, server.url, '/api/groups/propose', { language: 'en', keywords: list, given: ['prices'], many: 0.3 })
  ).json();
  expect(given.groups.find(({ reason }: { reason: { kind: string } }) => reason.kind === 'given')).toEqual({
    name: 'prices',
    theme: 'prices',
    reason: { kind: 'given', words: ['prices'] },
    keywords: ['dog grooming cost', 'dog grooming prices', 'cheap dog groomer', 'cat groomer prices'],
  });

  const groups = [
    { name: 'Dogs', keywords: [{ text: 'grooming', match: 'broad' }] },
    { name: 'Cats', keywords: [{ text: 'cat grooming', match: 'phrase' }] },
  ];
  const apart = await (await post(request, server.url, '/api/groups/apart', { language: 'en', groups, searches: [] })).json();
  expect(apart).toEqual({ negatives: [{ group: 'Dogs', text: 'cat', match: 'phrase' }], left: [] });

  const parts = [
    { name: 'service', values: ['grooming', 'clipping'] },
    { name: 'place', values: ['leeds', 'otley'], optional: true },
  ];
  const built = await (await post(request, server.url, '/api/combine', { parts, order: 'given', groupBy: 'service', limit: 2 })).json();
  expect(built).toEqual({
    count: 6,
    keywords: [
      { text: 'grooming leeds', group: 'grooming' },
      { text: 'grooming otley', group: 'grooming' },
    ],
  });
  const tooMany = Array.from({ length: 600 }, (_, at) => `v${at}`);
  const huge = {
    parts: [
      { name: 'a', values: tooMany },
      { name: 'b', values: tooMany },
    ],
    order: 'given',
    limit: 1,
  };
  for (const [body, path] of [
    [huge, 'parts'],
    [{ parts, order: 'given', groupBy: 'colour', limit: 1 }, 'groupBy'],
    [{ parts, order: 'both', limit: 1 }, 'order'],
  ] as const) {
    const refused = await post(request, server.url, '/api/combine', body);
    expect([refused.status(), (await refused.json()).path]).toEqual([422, path]);
  }
});

test('answer says who answers, who else, and what blocks', async ({ request, server }) => {
  const answer = await post(request, server.url, '/api/answer', {
    language: 'en',
    searches: ['Piano tuning price', 'piano tuners', 'free piano tuning', 'violin', 'tuning of a piano'],
    negatives: [mark('free')],
    groups: [
      { name: 'Tuning', keywords: [mark('piano tuning'), mark('piano tuner', 'exact')] },
      { name: 'Prices', keywords: [mark('piano tuning price', 'phrase', 130)], negatives: [mark('cheap')] },
    ],
  });
  const { answers } = await answer.json();
  expect(answers).toEqual([
    {
      search: 'Piano tuning price',
      group: 'Prices',
      keyword: 'piano tuning price',
      match: 'phrase',
      also: ['Tuning'],
      maybe: [],
      blocked: [],
    },
    { search: 'piano tuners', group: 'Tuning', keyword: 'piano tuner', match: 'exact', also: [], maybe: [], blocked: [] },
    {
      search: 'free piano tuning',
      group: null,
      keyword: null,
      match: null,
      also: [],
      maybe: [],
      blocked: [{ group: 'Tuning', negative: 'free' }],
    },
    { search: 'violin', group: null, keyword: null, match: null, also: [], maybe: [], blocked: [] },
    { search: 'tuning of a piano', group: null, keyword: null, match: null, also: [], maybe: ['Tuning'], blocked: [] },
  ]);
});

test('plans come and go, and read back to equal ones', async ({ request, server }) => {
  const id = await planId({ request } as never, 'Spring launch');
  const file = await (await request.get(`/api/plans/${id}`)).json();
  const made = await post(request, server.url, '/api/plans', file);
  expect(made.status()).toBe(201);
  const { id: copy } = await made.json();
  expect(await (await request.get(`/api/plans/${copy}`)).json()).toEqual(file);
  expect((await request.delete(`/api/plans/${copy}`, { headers: { origin: server.url } })).status()).toBe(204);
  expect((await request.get(`/api/plans/${copy}`)).status()).toBe(404);
});

test('changes are made once, undone, and refused whole', async ({ request, server }) => {
  const id = await planId({ request } as never, 'Spring launch');
  const path = `/api/plans/${id}/changes`;
  const { revision, rows } = await (await request.get(path)).json();
  const [keyword] = rows.keyword;
  const change = {
    id: 'change-1',
    revision,
    change: { type: 'set', record: 'keyword', ids: [keyword.id], fields: { bidMinor: 99 }, was: { bidMinor: null } },
  };
  const made = await (await post(request, server.url, path, change)).json();
  expect(made).toMatchObject({ ok: true, revision: revision + 1, edits: [{ record: 'keyword', id: keyword.id, after: { bidMinor: 99 } }] });
  expect((await (await post(request, server.url, path, change)).json()).revision).toBe(revision + 1);
  const stale = await post(request, server.url, path, {
    ...change,
    id: 'change-2',
    change: { ...change.change, fields: { bidMinor: 50 } },
  });
  expect(stale.status()).toBe(409);
  expect(await stale.json()).toMatchObject({ code: 'stale', refusal: { field: 'bidMinor', mine: 50, theirs: 99 } });
  const feed = await (await request.get(`${path}?since=${revision}`)).json();
  expect(feed.edits).toHaveLength(1);
  await post(request, server.url, path, { id: 'change-3', revision, change: { type: 'undo' } });
  expect((await (await request.get(path)).json()).rows.keyword.find((row: { id: string }) => row.id === keyword.id).bidMinor).toBeNull();
});

test('proof and tables are the screens’ own', async ({ request }) => {
  const id = await planId({ request } as never, 'Spring launch');
  const proof = await (await request.get(`/api/plans/${id}/proof`)).json();
  expect(proof.counts).toMatchObject({ fix: 4, look: 9 });
  expect(new Set(proof.findings.map(({ severity }: { severity: string }) => severity)).size).toBe(3);
  for (const finding of proof.findings) expect(finding.title.length).toBeGreaterThan(5);
  const csv = await request.get(`/api/plans/${id}/tables/keywords.csv`);
  expect(csv.headers()['content-type']).toContain('text/csv');
  const lines = (await csv.text()).trim().split('\r\n');
  expect(lines[0]).toBe('Campaign,Ad group,Keyword,Match type,Bid,Landing page,Labels,Note');
  // Six keywords of the group without an ad are held back.
  expect(lines).toHaveLength(1 + 397 - 6);
  const tsv = await (await request.get(`/api/plans/${id}/tables/negatives.tsv`)).text();
  expect(tsv).toContain('plan\t\t\tfree\tphrase');
  expect((await request.get(`/api/plans/${id}/tables/other.csv`)).status()).toBe(404);
  expect(csv.headers()['content-disposition']).toContain('filename="Spring-launch-keywords.csv"');
  const archive = await request.get(`/api/plans/${id}/tables.zip`);
  expect(archive.headers()['content-disposition']).toMatch(/filename="Spring-launch-Plain-a-table-a-kind-\d{4}-\d\d-\d\d\.zip"/);
  const files = unzipSync(new Uint8Array(await archive.body()));
  const names = ['campaigns', 'places', 'groups', 'keywords', 'negatives', 'ads', 'extras'];
  expect(Object.keys(files)).toEqual(names.map((name, index) => `${index + 1}-${name}.csv`));
  expect(strFromU8(files['4-keywords.csv']!)).toBe(await csv.text());
});

test('the whole data file is to be had while the server goes on', async ({ request }) => {
  const backup = await request.get('/api/backup');
  expect(backup.headers()['content-disposition']).toMatch(/attachment; filename="biblion-\d{4}-\d{2}-\d{2}\.sqlite"/);
  const body = await backup.body();
  expect(body.subarray(0, 15).toString()).toBe('SQLite format 3');
  expect(body.includes('Ottlemere Piano Workshop')).toBe(true);
});

test('errors say code, message and path, and write nothing', async ({ request, server }) => {
  const id = await planId({ request } as never, 'Spring launch');
  /** The Shelf once every plan on it was read. */
  const shelf = async () => {
    await expect.poll(async () => ((await (await request.get('/api/plans')).json()) as { pending: string[] }).pending).toEqual([]);
    return (await request.get('/api/plans')).text();
  };
  const before = await shelf();
  const file = await (await request.get(`/api/plans/${id}`)).json();
  const raw = (path: string, body: string) =>
    request.post(path, { headers: { origin: server.url, 'content-type': 'application/json' }, data: Buffer.from(body) });
  const cases: [Promise<import('@playwright/test').APIResponse>, number, string][] = [
    [raw('/api/measure', '{'), 400, 'broken-json'],
    [raw('/api/measure', '['.repeat(100) + ']'.repeat(100)), 400, 'too-deep'],
    [raw('/api/measure', JSON.stringify({ text: 'x'.repeat(1_100_000) })), 413, 'too-large'],
    [raw('/api/measure', JSON.stringify({ text: 'x', limit: 0, language: 'en', keywords: [] })), 422, 'not-valid'],
    [raw('/api/measure', JSON.stringify({ text: 'x', limit: 30, language: 'not a language', keywords: [] })), 422, 'not-valid'],
    [
      raw(
        '/api/answer',
        JSON.stringify({ language: 'en', searches: [], groups: [{ name: 'a', keywords: [{ text: 'x', match: 'loose' }] }] }),
      ),
      422,
      'not-valid',
    ],
    [raw('/api/plans', JSON.stringify({ ...file, version: 9 })), 422, 'later-version'],
    [raw('/api/plans', JSON.stringify({ ...file, campaigns: [{ ...file.campaigns[0], name: 'a\u0000' }] })), 422, 'not-valid'],
    [raw(`/api/plans/${id}/changes`, JSON.stringify({ id: 'x', revision: 0, change: { type: 'drop' } })), 422, 'not-valid'],
    [raw('/api/plans/nowhere/changes', JSON.stringify({ id: 'x', revision: 0, change: { type: 'undo' } })), 404, 'no-such-plan'],
    [request.get('/api/plans/nowhere/proof'), 404, 'no-such-plan'],
    [request.post('/api/plans', { data: file }), 403, 'foreign-origin'],
    [request.post('/api/plans', { data: file, headers: { origin: 'http://evil.example' } }), 403, 'foreign-origin'],
    [request.delete(`/api/plans/${id}`), 403, 'foreign-origin'],
    [request.get('/api/health', { headers: { host: 'evil.example' } }), 421, 'foreign-host'],
  ];
  for (const [answer, status, code] of cases) {
    const response = await answer;
    const body = await response.json();
    expect([response.status(), body.code]).toEqual([status, code]);
    expect(typeof body.message).toBe('string');
    expect(typeof body.path).toBe('string');
  }
  expect(await (await raw('/api/plans', JSON.stringify({ ...file, version: 9 }))).json()).toMatchObject({ path: 'version' });
  expect(await shelf()).toBe(before);
});
