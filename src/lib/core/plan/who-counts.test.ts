import { describe, expect, it } from 'vitest';
import { addLike, snapshotOfFile, change, cleanFile, viewOf } from '../../../tests/clean-plan';
import { adviseWhoCounts } from './who-counts';

const clean = snapshotOfFile(cleanFile);

describe('who counts', () => {
  it('is who is there for a local service', () => {
    expect(adviseWhoCounts(viewOf(clean))).toEqual({ whoCounts: 'there', word: '' });
    expect(adviseWhoCounts(viewOf(change(clean, 'brief', { offer: 'Touring piano repair' }))).whoCounts).toBe('there');
  });

  it('are those who ask as well for travel and moving, with the word that tells', () => {
    expect(adviseWhoCounts(viewOf(change(clean, 'brief', { offer: 'Helgekurs i seiling' })))).toEqual({
      whoCounts: 'asking',
      word: 'helgekurs',
    });
    expect(adviseWhoCounts(viewOf(addLike(addFact(clean), 'briefItem', { kind: 'fact', text: 'Near the hotel' })))).toMatchObject({
      word: 'hotel',
    });
  });
});

const addFact = (snapshot: typeof clean) => addLike(snapshot, 'briefItem', { kind: 'fact', text: 'Open all year' });
