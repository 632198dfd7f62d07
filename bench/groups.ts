import { stem } from 'porter2';
import { adjustedRand } from '../src/tests/adjusted-rand';
import { labelledTrades, mainGroups, type LabelledTrade } from '../src/tests/labelled-trades';
import { cutList, readForCut } from '$lib/core/cut/first-cut';
import { Proposer } from '$lib/core/groups/proposal';
import { partKeywords } from '$lib/core/groups/part-keywords';
import { combine } from '$lib/core/keywords/combine';
import { wordsOf } from '$lib/core/keywords/words';
import { seeded } from './big-plan';
import { compare, timeOf, type BenchRow } from './measuring';

/** What the cut gave on the lists of our own the first time it was run on them, before anything was mended. */
const firstRun: Readonly<Record<string, number>> = { 'own-dog-grooming': 0.759, 'own-fensterbau': 0.791 };

function cutTrade({ keywords, language, offer }: LabelledTrade): number[] {
  const texts = keywords.map(({ text }) => text);
  const groupOf = texts.map(() => -1);
  cutList(readForCut(texts, { language, offer }), { many: 0.5 }).groups.forEach(({ keywords: held }, group) => {
    for (const keyword of held) groupOf[keyword] = group;
  });
  return groupOf;
}

/** How well the first cut agrees with a practitioner's, by the adjusted Rand index, and how many pairs that must be apart are not. */
function benchAgreement() {
  const measured = labelledTrades.map((one) => {
    const groupOf = cutTrade(one);
    const main = mainGroups(one, groupOf);
    return {
      file: one.file,
      agreement: adjustedRand(
        one.keywords.map(({ label }) => label),
        groupOf,
      ),
      together: one.apart.filter(([a, b]) => main[a] === main[b] && main[a]! >= 0).length,
    };
  });
  const handed = measured.filter(({ file }) => !file.startsWith('own-'));
  const mean = handed.reduce((sum, { agreement }) => sum + agreement, 0) / handed.length;
  const worst = Math.min(...measured.map(({ agreement }) => agreement));
  const together = measured.reduce((sum, one) => sum + one.together, 0);
  return {
    bench: 'first-cut-agrees',
    mean: Number(mean.toFixed(3)),
    worst: Number(worst.toFixed(3)),
    together,
    goal: 'mean at least 0.85, none below 0.72, none together',
    met: mean >= 0.85 && worst >= 0.72 && together === 0,
    trades: Object.fromEntries(measured.map(({ file, agreement }) => [file, Number(agreement.toFixed(3))])),
    firstRun,
  };
}

/** Made-up keywords of words that trades use, the commoner ones more often. */
function makeTexts(count: number, different: number): string[] {
  const below = seeded(19);
  const vocabulary = [
    ...new Set(
      labelledTrades.filter(({ language }) => language === 'en').flatMap(({ keywords }) => keywords.flatMap(({ text }) => wordsOf(text))),
    ),
  ];
  const words = vocabulary.slice(0, different);
  const texts = new Set<string>();
  while (texts.size < count) texts.add(Array.from({ length: 2 + below(4) }, () => words[below(below(words.length) + 1)]!).join(' '));
  return [...texts];
}

/** The first cut, cutting again, keywords built and groups kept apart. */
export function benchGroups(): unknown[] {
  const many = makeTexts(20_000, 1000);
  const reading = timeOf(() => many.reduce((sum, text) => wordsOf(text).reduce((all, word) => all + stem(word).length, sum), 0));
  const cut = timeOf(() => cutList(readForCut(many, { language: 'en', offer: 'locksmith for homes' }), { many: 0.5 }));

  const items = makeTexts(2000, 600).map((text) => ({ text, groupId: null }));
  const list = {
    language: 'en',
    offer: 'locksmith for homes',
    lessons: { trade: [], oneAd: [] },
    items,
    groups: [],
    ownNames: [],
    pages: [],
  };
  const proposer = new Proposer(list);
  let turn = 0;
  const recut = timeOf(() =>
    proposer.propose({ way: 'theme', many: 0.3 + (turn++ % 3) * 0.2, given: [], least: null, largest: null, recuts: false }),
  );

  const values = (name: string, count: number) => Array.from({ length: count }, (_, at) => `${name} ${at}`);
  const parts = [
    { name: 'a', values: values('service', 50) },
    { name: 'b', values: values('for whom', 60) },
    { name: 'c', values: values('place', 10) },
  ];
  const built = timeOf(() => combine({ parts, order: 'every' }));
  const orders = [
    [0, 1, 2],
    [0, 2, 1],
    [1, 0, 2],
    [1, 2, 0],
    [2, 0, 1],
    [2, 1, 0],
  ] as const;
  const written = timeOf(() => {
    const all: { text: string }[] = [];
    for (const [x, y, z] of orders)
      for (const a of parts[x]!.values)
        for (const b of parts[y]!.values) for (const c of parts[z]!.values) all.push({ text: `${a} ${b} ${c}` });
    return all;
  });

  const groups = Array.from({ length: 1000 }, (_, group) => ({
    id: `g${group}`,
    language: 'en',
    keywords: many.slice(group * 20, group * 20 + 20).map((text) => ({ text, match: 'phrase' as const, bidMinor: null })),
    negatives: [],
  }));
  const apart = timeOf(() => partKeywords(groups));
  const under = (bench: string, ours: { best: number; times: number[] }, most: number) => ({
    bench,
    milliseconds: Math.round(ours.best),
    goal: `at most ${most.toLocaleString('en-GB')} ms`,
    met: ours.best <= most,
    times: ours.times.map(Math.round),
  });
  const rows: BenchRow[] = [
    compare('first-cut', { kind: 'at-most', times: 20 }, cut, reading),
    compare('combine', { kind: 'at-most', times: 4 }, built, written),
  ];
  return [benchAgreement(), ...rows, under('recut', recut, 100), under('apart', apart, 3000)];
}
