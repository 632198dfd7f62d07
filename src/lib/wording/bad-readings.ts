import type { BadReason } from '$lib/core/proof/readings';

/** Why a reading that fits reads badly, in a few words. */
export const badReasonWords: Readonly<Record<BadReason, string>> = {
  'near-me': '“near me” as if we said it',
  question: 'a question',
  rival: 'a rival’s name',
  'other-place': 'another place',
  misspelling: 'misspelt',
  'word-twice': 'a word twice in a row',
  'word-thrice': 'a word three times',
};
