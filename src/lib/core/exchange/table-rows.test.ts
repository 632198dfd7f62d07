import { describe, expect, it } from 'vitest';
import { tableFields, tableNames } from '../records/table-fields';
import { lineColumns } from './ad-columns';
import { tableDescriptions } from './table-rows';

/** Fields that name the rows that a row belongs to, or its kind: written by the engine, of no column. */
const owners = {
  campaigns: ['row'],
  places: ['row', 'campaign'],
  groups: ['row', 'campaign'],
  keywords: ['row', 'campaign', 'group'],
  negatives: ['row', 'campaign', 'group'],
  ads: ['row', 'campaign', 'group'],
  extras: ['row', 'campaign', 'group'],
  pages: ['row'],
  'page-rules': ['row'],
};

describe('the fields of each table', () => {
  it.each(tableNames)('of %s are described once each, and none beside those that layouts know', (name) => {
    const own = Object.keys(tableDescriptions[name].columns);
    const ofLines = name === 'ads' ? lineColumns.flatMap(({ columns }) => Object.keys(columns)) : [];
    expect([...owners[name], ...own, ...ofLines].sort()).toEqual([...tableFields[name]].sort());
  });
});
