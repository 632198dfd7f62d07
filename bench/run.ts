import { bookOfFile, viewOf } from '../src/tests/clean-plan';
import { readProof } from '$lib/core/proof/read-proof';
import { bigSize, makePlan } from './big-plan';
import { compare, timeOf } from './measuring';

const file = makePlan(bigSize);
const json = JSON.stringify(file);
const say = (row: unknown) => console.log(JSON.stringify(row));
const today = '2026-12-21';

const parse = timeOf(() => JSON.parse(json) as unknown);
const book = bookOfFile(file);
const proof = timeOf(() => readProof(viewOf({ ...book }), today));
say(compare('proof', { kind: 'at-most', times: 15 }, proof, parse));
const counts: Record<string, number> = {};
for (const { rule } of readProof(viewOf(book), today).findings) counts[rule] = (counts[rule] ?? 0) + 1;
console.error(counts);
