import { test } from 'vitest';
import { compose } from './compose';
import { wordFinding } from '$lib/wording/findings';
test('x', async () => {
  const s = await compose({
    dataFile: ':memory:',
    placesFile: 'build/places.sqlite',
    demo: true,
    now: () => new Date('2026-12-21'),
  });
  for (const sum of s.plans.listSummaries()) {
    console.log(sum.id, JSON.stringify(sum.counts), sum.keywords, sum.ads, sum.groups);
    for (const f of s.plans.getProof(sum.id).findings) {
      const w = wordFinding(f, 'GBP');
      console.log(f.severity, f.rule, '|', w.title, '|', w.detail, '|', w.mend);
    }
  }
});
