import { describe, expect, it } from 'vitest';
import { recordSchemas } from './record-schemas';
import { recordNames } from './record-type';
import { blank, blankFields, completeRow, recordTypes } from './record-types';

describe('what is said of each record', () => {
  it.each(recordNames)('%s: blank and later fields are fit for its schema, and every field named is one of it', (name) => {
    const { parents, links = {}, unique = [], added = {}, blank: fields } = recordTypes[name];
    const schema = recordSchemas[name];
    expect(schema.partial().safeParse(fields).error).toBeUndefined();
    expect(schema.partial().safeParse(added).error).toBeUndefined();
    for (const field of [...Object.keys(parents), ...Object.keys(links), ...unique]) expect(schema.shape).toHaveProperty(field);
  });

  it('parents come before their children', () => {
    for (const [at, name] of recordNames.entries())
      for (const parent of Object.values(recordTypes[name].parents)) expect(recordNames.indexOf(parent)).toBeLessThanOrEqual(at);
  });
});

describe('a row', () => {
  it('that is new holds what is said of it, and else what blank rows hold', () => {
    const group = blank('group', { id: 'g', campaignId: 'c', name: 'Tuning', position: 2, theme: 'tuning' });
    expect(recordSchemas.group.safeParse(group).error).toBeUndefined();
    expect(group).toEqual({ ...blankFields('group'), id: 'g', campaignId: 'c', name: 'Tuning', position: 2, theme: 'tuning' });
    expect(group.defaultMatch).toBe('phrase');
  });

  it('from before is read in the fields of today', () => {
    const type = { ...recordTypes.offer, added: { priceMinor: null }, renamed: { title: 'name' }, removed: ['colour'] };
    expect(completeRow('offer', { id: 'o', title: 'Two visits', colour: 'red', position: 0 }, type)).toEqual({
      id: 'o',
      name: 'Two visits',
      priceMinor: null,
      position: 0,
    });
    expect(completeRow('ad', { id: 'a', path1: 'x' })).toEqual({
      id: 'a',
      path1: 'x',
      masterPaths: [],
      countingAddress: '',
      differsIn: '',
      testEndsOn: null,
      testMeasure: 'clicks',
    });
  });
});
