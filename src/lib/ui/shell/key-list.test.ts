import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { listedKeys, writeKeyTable } from './key-list';

/** Cells of a Markdown table, however wide its columns are. */
const cellsOf = (text: string) =>
  text
    .split('\n')
    .filter((line) => line.startsWith('|') && !/^\| *-/.test(line))
    .map((line) => line.split(/(?<!\\)\|/).map((cell) => cell.trim()));

it('the README holds the table of keys as it is made of the list', () => {
  const readme = readFileSync(new URL('../../../../README.md', import.meta.url), 'utf8');
  const [, held = ''] = /<!-- written by npm run docs -->([^]*)<!-- end -->/.exec(readme) ?? [];
  expect(cellsOf(held)).toEqual(cellsOf(writeKeyTable()));
});

it('no place lists a key twice', () => {
  for (const { keys } of listedKeys) expect(new Set(keys.map((one) => one.keys)).size).toBe(keys.length);
});
