import { fc } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { idsToCompare, patchRows } from './patched-rows';

interface Row {
  id: string;
  text: string;
}
const start = new Map<string, Row>(Array.from({ length: 1200 }, (_, index) => [`r${index}`, { id: `r${index}`, text: '' }]));
const edit = fc.record({ at: fc.nat(1230), text: fc.option(fc.string({ maxLength: 3 })) });
const rounds = fc.array(fc.array(edit, { maxLength: 60 }), { maxLength: 12 });
const sorted = (rows: ReadonlyMap<string, Row>) => [...rows].sort(([a], [b]) => (a < b ? -1 : 1));

describe('rows with a patch', () => {
  // Parted by seeds, so that none takes long.
  it.each([71, 171, 271, 371])('are the rows of a map that was edited, and those before stay as they were (seed %i)', (seed) => {
    const property = fc.property(rounds, (edited) => {
      const states: [ReadonlyMap<string, Row>, Map<string, Row>][] = [[start, new Map(start)]];
      for (const round of edited) {
        const [rows, model] = states.at(-1)!;
        const edits = round.map(({ at, text }) => ({ id: `r${at}`, after: text === null ? null : { id: `r${at}`, text } }));
        const next = new Map(model);
        for (const { id, after } of edits)
          if (after) next.set(id, after);
          else next.delete(id);
        states.push([patchRows(rows, edits), next]);
      }
      for (const [rows, model] of states) {
        expect(rows.size).toBe(model.size);
        expect(sorted(rows)).toEqual(sorted(model));
        expect([...rows.values()].map(({ id }) => id)).toEqual([...rows.keys()]);
        for (const id of ['r0', 'r5', 'r1199', 'r1205', 'none'])
          expect([rows.has(id), rows.get(id)]).toEqual([model.has(id), model.get(id)]);
        const visited = new Set<string>();
        rows.forEach((_, id) => visited.add(id));
        expect(visited).toEqual(new Set(model.keys()));
      }
      const [first, last] = [states[0]![0], states.at(-1)![0]];
      const ids = new Set(idsToCompare(first, last));
      for (const id of new Set([...first.keys(), ...last.keys()])) if (first.get(id) !== last.get(id)) expect(ids.has(id)).toBe(true);
    });
    fc.assert(property, { seed, numRuns: 15 });
  });
});
