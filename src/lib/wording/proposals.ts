import type { ProposalReason, ProposalWay } from '../core/groups/proposal-types';
import type { Want } from '../core/verdicts/want-of';

/** What groups are proposed by, as it is chosen. */
export const wayWords: Readonly<Record<ProposalWay, string>> = {
  theme: 'by theme',
  intent: 'intent',
  kind: 'kind',
  page: 'page',
  each: 'one each',
};

const kindWords: Readonly<Record<string, string>> = {
  near: 'nearness',
  price: 'a price',
  urgency: 'urgency',
  secondhand: 'second-hand',
  hire: 'hire',
  buy: 'buying',
  repair: 'repair',
  install: 'fitting',
  replace: 'replacing',
  removal: 'taking away',
  training: 'training',
  schooling: 'schooling',
  online: 'online',
  kids: 'children',
  adults: 'adults',
  seniors: 'older people',
  beginners: 'beginners',
  business: 'business',
  workplace: 'the workplace',
  gift: 'a gift',
  private: 'private',
  home: 'at home',
  compare: 'comparing',
};

const wantWords: Readonly<Record<Want, string>> = {
  buy: 'wants it',
  price: 'asks what it costs',
  compare: 'compares',
  unclear: 'asks or learns',
};

const quoted = (words: readonly string[]) => words.map((word) => `“${word}”`).join(', ');

/** Why keywords stand together, in a few words. `count`: how many they are. */
export function wordProposalReason({ kind, words, ofKind, holding, byCompany }: ProposalReason, count: number): string {
  const company = byCompany > 0 ? `; ${byCompany} by a rare word’s company` : '';
  const share = holding > count ? `, ${count - byCompany} of ${holding}` : '';
  switch (kind) {
    case 'given':
      return `${quoted(words)}, yours`;
    case 'word':
      return `${quoted(words)}${share}${company}`;
    case 'kind':
      return `${kindWords[ofKind ?? ''] ?? ''}: ${quoted(words)}${share}${company}`;
    case 'company':
      return `a rare word’s company; ${quoted(words)}`;
    case 'general':
      return 'the trade’s own words';
    case 'own-name':
      return 'the client’s own name';
    case 'intent':
      return wantWords[words[0] as Want];
    case 'page':
      return `to ${words[0] ?? ''}`;
    case 'each':
      return 'one keyword';
    case 'offered':
      return 'offered to it by its words';
    case 'stands':
      return 'as it stands';
  }
}
