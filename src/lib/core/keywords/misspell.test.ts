import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { misspell } from './misspell';
import { wordsOf } from './words';

describe('misspellings by rule', () => {
  it('leave a letter out, write a doubled one once, change two over, in the longest words first', () => {
    expect(misspell('tunning price')).toEqual(['tuning price', 'tunnng price', 'tuninng price']);
    expect(misspell('a tin')).toEqual([]);
    expect(misspell('piano tuning', 1)).toHaveLength(1);
  });

  const text = fc
    .array(fc.constantFrom('piano', 'tuning', 'seilkurs', 'nybegynnere', 'a', 'til'), { minLength: 1, maxLength: 5 })
    .map((words) => words.join(' '));
  test.prop([text, fc.integer({ min: 1, max: 6 })], { seed: 12 })('differ from what is meant, each once, word for word', (meant, most) => {
    const made = misspell(meant, most);
    expect(made.length).toBeLessThanOrEqual(most);
    expect(new Set(made).size).toBe(made.length);
    for (const wrong of made) {
      expect(wrong).not.toBe(meant);
      expect(wordsOf(wrong)).toHaveLength(wordsOf(meant).length);
    }
  });
});
