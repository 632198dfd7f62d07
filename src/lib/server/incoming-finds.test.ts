import { beforeEach, describe, expect, it } from 'vitest';
import { readPastedFinds, incomingFinds } from '$lib/core/exchange/read-finds';
import { planFileSchema } from '$lib/core/exchange/plan-file';
import { inOrder } from '$lib/core/store/snapshot';
import { linesOfFinds } from '$lib/core/finds/incoming-finds';
import { linesOfReport, type IncomingReport, type ReportLine } from '$lib/core/research/incoming-report';
import type { IncomingFind } from '$lib/core/finds/merge-finds';
import { cleanFile, countingIds } from '../../tests/clean-plan';
import { openDatabase } from './db/open-database';
import { bringFindsIn, bringReportIn } from './incoming-finds';
import { RequestRefused } from './outcome';
import { Plans } from './plans';
import { ChangeWriter } from './change-writer';

const now = () => new Date('2026-12-21T12:00:00Z');
let writer: ChangeWriter;
let plans: Plans;
let planId: string;
let heard: number[];
beforeEach(() => {
  writer = new ChangeWriter(openDatabase(':memory:'), now);
  const newId = countingIds();
  plans = new Plans(writer, { now, newId });
  planId = plans.readIn(planFileSchema.parse(cleanFile));
  heard = [];
  writer.listen(({ stream, revision }) => stream === planId && heard.push(revision));
});

const bring = (body: string) => bringFindsIn({ writer, plans, newId: countingIds('f') }, planId, body);
const bodyOf = (incoming: Iterable<IncomingFind>, id = 'once') => [...linesOfFinds({ id, key: '', name: 'pasted' }, incoming)].join('');
const finds = () => inOrder(writer.open(planId).snapshot.find);
const ofList = (text: string) =>
  incomingFinds(readPastedFinds(text, { currency: 'GBP', refusedSigns: new Set(), existing: new Set() }).listed, {
    source: 'list.csv',
    verdict: 'open',
    on: '2026-12-21',
  });
const refusalOf = (work: () => unknown) => {
  try {
    work();
  } catch (error) {
    if (error instanceof RequestRefused) return [error.status, error.code, error.path];
    throw error;
  }
  return null;
};

describe('finds brought in as lines', () => {
  it('are one step, joined with what stands, and taken back as one', () => {
    const before = finds();
    const lines = Array.from({ length: 4100 }, (_, at) => `zither number ${at}\t${at}\t0.40\t2.00`);
    const answer = bring(bodyOf(ofList([...lines, `${before[0]!.text}\t77`, '-zither jobs'].join('\n'))));
    expect(answer).toMatchObject({ fresh: 4101, known: 1, ruled: 0 });
    expect(heard).toEqual([answer.revision]);
    const after = finds();
    expect(after).toHaveLength(before.length + 4101);
    expect(after.find(({ text }) => text === 'zither number 4099')).toMatchObject({
      verdict: 'open',
      searchesHigh: 4099,
      bidHighMinor: 200,
      source: 'list.csv',
      figuresOn: '2026-12-21',
    });
    expect(after.find(({ id }) => id === before[0]!.id)?.alsoFrom).toContain('list.csv');
    expect([...writer.open(planId).snapshot.negative.values()].map(({ text }) => text)).toContain('zither jobs');
    expect(new Set(after.map(({ position }) => position)).size).toBe(after.length);

    expect(writer.listSteps(planId).map(({ summary, rows }) => [summary.name, rows])[0]).toEqual(['pasted', 4103]);
    expect(writer.apply(planId, { id: 'undo', revision: 0, change: { type: 'undo' } }).ok).toBe(true);
    expect(finds()).toEqual(before);
    expect(writer.apply(planId, { id: 'redo', revision: 0, change: { type: 'redo' } }).ok).toBe(true);
    expect(finds()).toEqual(after);
  });

  it('are not brought in a second time where the answer was lost', () => {
    const body = bodyOf(ofList('zither'));
    const { revision } = bring(body);
    expect(bring(body)).toMatchObject({ revision });
    expect(heard).toEqual([revision]);
    expect(finds().filter(({ text }) => text === 'zither')).toHaveLength(1);
  });

  it('write a form of a standing word down once, however many packs hold it', () => {
    const word = { id: 'w', words: 'zither', verdict: 'block', reason: 'other', stands: true, position: 0 };
    writer.apply(planId, { id: 'word', revision: 0, change: { type: 'add', record: 'wordVerdict', rows: [word] } });
    const answer = bring(bodyOf(Array.from({ length: 4500 }, (_, at) => ({ text: `zithers ${at}`, figures: null, source: 'a' }))));
    expect(answer).toMatchObject({ fresh: 4500, ruled: 4500 });
    const negatives = [...writer.open(planId).snapshot.negative.values()].filter(({ wordVerdictId }) => wordVerdictId === 'w');
    expect(negatives.map(({ text }) => text)).toEqual(['zithers']);
  });

  it('that bring nothing new leave no step', () => {
    const [known] = finds();
    const steps = writer.listSteps(planId).length;
    expect(bring(bodyOf([{ text: known!.text, figures: null, source: '' }]))).toMatchObject({ fresh: 0, known: 1 });
    expect([writer.listSteps(planId).length, heard]).toEqual([steps, []]);
  });
});

describe('hostile lines', () => {
  const head = '{"id":"a","key":"","name":"pasted"}\n';
  const good = bodyOf([{ text: 'zither', figures: null, source: '' }]).split('\n')[1]!;
  it.each([
    ['nothing', '', [422, 'not-valid', 'line 1']],
    ['no head', `${good}\n`, [422, 'not-valid', 'line 1, id']],
    ['another step’s name', '{"id":"a","key":"","name":"safe-mended"}\n', [422, 'not-valid', 'line 1, name']],
    ['a broken line', `${head}{"record":\n`, [400, 'broken-json', '']],
    ['another record', `${head}${good.replace('"find"', '"keyword"')}\n`, [422, 'not-valid', 'line 2, record']],
    ['a missing field', `${head}${good.replace('"source"', '"sauce"')}\n`, [422, 'not-valid', 'line 2, fields.source']],
    ['a control sign', `${head}${good.replace('zither', 'zi\\u0000ther')}\n`, [422, 'not-valid', 'line 2, 0.text']],
    [
      'more finds than it has values for',
      `${head}${good.replace('"count":1', '"count":3').replace('["zither"]', '["zither","lute"]')}\n`,
      [422, 'not-valid', 'line 2, 2.text'],
    ],
    ['the same find twice', `${head}${good}\n${good}\n`, [409, 'twice', 'finds']],
  ])('%s is refused, and nothing is written', (_, body, expected) => {
    const before = finds();
    expect(refusalOf(() => bring(body))).toEqual(expected);
    expect([finds(), heard]).toEqual([before, []]);
  });

  it('a plan that is not there is none', () => {
    expect(refusalOf(() => bringFindsIn({ writer, plans, newId: countingIds() }, 'gone', `${head}${good}`))).toEqual([
      404,
      'no-such-plan',
      'id',
    ]);
  });
});

describe('a report brought in as lines', () => {
  const line = (text: string, clicks: number, day: string | null = null): ReportLine => ({
    text,
    groupName: 'Tuning',
    day,
    clicks,
    impressions: clicks * 10,
    costMinor: clicks * 90,
    averageCostMinor: 90,
    conversions: clicks / 4,
    valueMinor: null,
  });
  const report: IncomingReport = {
    name: 'march.csv',
    on: '2026-12-21',
    from: null,
    until: null,
    totals: { clicks: 9000, costMinor: null },
  };
  const bodyOfReport = (lines: readonly ReportLine[], id = 'march') => [...linesOfReport({ id, key: '', report }, lines)].join('');
  const bringReport = (body: string) => bringReportIn({ writer, plans, newId: countingIds('r') }, planId, body);
  const rows = () => inOrder(writer.open(planId).snapshot.reportRow);

  it('is one step over packs: every line stands, each search once as a find, and all of it goes back as one', () => {
    const before = finds();
    const lines = Array.from({ length: 4500 }, (_, at) => line(`zither number ${at % 3000}`, at, `2026-12-0${1 + (at % 9)}`));
    const known = line(before[0]!.text, 7);
    const answer = bringReport(bodyOfReport([...lines, known]));
    expect(answer).toMatchObject({ fresh: 3000, known: 1 });
    expect(heard).toEqual([answer.revision]);
    expect(finds()).toHaveLength(before.length + 3000);
    expect(inOrder(writer.open(planId).snapshot.report)).toMatchObject([
      { name: 'march.csv', importedOn: '2026-12-21', from: '2026-12-01', until: '2026-12-09', totalClicks: 9000, totalCostMinor: null },
    ]);
    expect(rows().map(({ id: _, reportId: __, position: ___, ...rest }) => rest)).toEqual([...lines, known]);
    expect(writer.listSteps(planId).map(({ summary, rows: count }) => [summary.name, count])[0]).toEqual(['report-read-in', 7503]);
    expect(writer.apply(planId, { id: 'undo', revision: 0, change: { type: 'undo' } }).ok).toBe(true);
    expect([finds(), rows()]).toEqual([before, []]);
    expect(writer.apply(planId, { id: 'redo', revision: 0, change: { type: 'redo' } }).ok).toBe(true);
    expect(rows()).toHaveLength(4501);
  });

  it('does not come in twice where the answer was lost', () => {
    const body = bodyOfReport([line('zither', 3)]);
    const { revision } = bringReport(body);
    expect(bringReport(body)).toMatchObject({ revision });
    expect(rows()).toHaveLength(1);
  });

  it.each([
    ['a head of something else', '{"id":"x","key":"","name":"pasted"}\n', [422, 'not-valid', 'line 1, report']],
    ['clicks below nothing', bodyOfReport([line('zither', -1)]), [422, 'not-valid', 'line 2, 0.clicks']],
    [
      'a pack of another record',
      `${bodyOfReport([])}{"record":"find","count":1,"fields":{"text":{"values":["a"],"at":null}}}`,
      [422, 'not-valid', 'line 2, record'],
    ],
  ])('leaves nothing of %s', (_, body, refusal) => {
    expect(refusalOf(() => bringReport(body))).toEqual(refusal);
    expect([heard, rows(), writer.open(planId).snapshot.report.size]).toEqual([[], [], 0]);
  });

  it('refuses more lines than come in at once, and keeps none of them', () => {
    const lines = Array.from({ length: 200_001 }, () => line('zither', 1));
    expect(refusalOf(() => bringReport(bodyOfReport(lines)))).toEqual([413, 'too-many-rows', 'rows']);
    expect(rows()).toEqual([]);
  });
});
