import { bookOfFile, viewOf } from '../src/tests/clean-plan';
import { applyEdits } from '$lib/core/plan/book';
import { ProofKeeper } from '$lib/core/proof/proof-keeper';
import { readProof } from '$lib/core/proof/read-proof';
import { findBlockedKeywords } from '$lib/core/groups/blocked-keywords';
import { findOverlaps } from '$lib/core/groups/overlaps';
import { bigSize, makePlan } from './big-plan';
import { naiveOverlaps, sortedOverlaps } from './naive-overlaps';
import { compare, timeOf } from './measuring';

const file = makePlan(bigSize);
const json = JSON.stringify(file);
const say = (row: unknown) => console.log(JSON.stringify(row));
const today = '2026-12-21';

const parse = timeOf(() => JSON.parse(json) as unknown);
const book = bookOfFile(file);
const proof = timeOf(() => readProof(viewOf({ ...book }), today));
say(compare('proof', { kind: 'at-most', times: 15 }, proof, parse));

const keeper = new ProofKeeper();
let edited = book;
keeper.read(viewOf(edited), today);
const lines = [...book.adLine.values()];
let turn = 0;
const step = timeOf(
  () => keeper.read(viewOf(edited), today),
  () => {
    const line = edited.adLine.get(lines[turn++ * 997]!.id)!;
    edited = applyEdits(edited, [{ record: 'adLine', id: line.id, before: line, after: { ...line, text: `Edited ${turn}` } }]);
  },
);
say(compare('proof-step', { kind: 'at-least', times: 50 }, step, proof));

const tenth = viewOf(
  bookOfFile(
    makePlan({ keywords: bigSize.keywords / 10, groups: bigSize.groups / 10, ads: 100, negatives: bigSize.negatives / 10, finds: 0 }),
  ),
);
const naive = timeOf(() => naiveOverlaps(tenth));
if (JSON.stringify(naiveOverlaps(tenth)) !== JSON.stringify(sortedOverlaps(tenth))) throw new Error('Overlaps differ from the naive ones.');
const overlaps = timeOf(() => {
  // A view of new maps, so that no order or index is at hand.
  const fresh = viewOf({ ...book, keyword: new Map(book.keyword), negative: new Map(book.negative) });
  return [findOverlaps(fresh), findBlockedKeywords(fresh)];
});
say(compare('overlaps', { kind: 'at-least', times: 50 }, overlaps, { best: naive.best * 100 }));
