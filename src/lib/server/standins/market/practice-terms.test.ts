import { describe, expect, it } from 'vitest';
import { PracticeTerms, type HiddenIntent } from './practice-terms';
import { practiceResults } from './practice-results';
import { buys, practiceCompetition } from './practice-competitors';

const terms = new PracticeTerms();
const towns = { inside: ['edinburgh'], outside: ['leeds'] };

describe('what is searched around a term', () => {
  it.each([
    ['piano tuning', 'en'],
    ['cold frames', 'en'],
    ['seilkurs', 'nb'],
    ['roof repair', 'en'],
    ['tagreparation', 'da'],
  ])('%s, in %s: hundreds of texts, each once, of every intent', (term, language) => {
    const found = terms.around(term, [language], towns);
    expect(found.length).toBeGreaterThanOrEqual(300);
    expect(found.length).toBeLessThanOrEqual(2000);
    expect(found[0]).toEqual({ text: term, intent: 'hire', isMisspelling: false });
    expect(new Set(found.map(({ text }) => text)).size).toBe(found.length);
    const intents = new Set(found.map(({ intent }) => intent));
    for (const intent of [
      'hire',
      'price',
      'near',
      'compare',
      'learn',
      'job',
      'free',
      'tool',
      'brand',
      'rival',
      'shop',
      'place',
    ] as HiddenIntent[])
      expect(intents).toContain(intent);
    // Nobody can tell what is mistyped in a trade that has no story.
    expect(found.some(({ isMisspelling }) => isMisspelling)).toBe(terms.isKnown(term));
  });

  it('wants what it says: jobs are jobs, a course is what is sold where courses are', () => {
    const intentOf = (text: string, found = terms.around('piano tuning', ['en'], towns)) => found.find((one) => one.text === text)?.intent;
    expect(intentOf('piano tuning jobs')).toBe('job');
    expect(intentOf('piano tuning leeds')).toBe('place');
    expect(intentOf('piano tuning edinburgh')).toBe('hire');
    const courses = terms.around('sailing course', ['en'], towns);
    expect(courses.filter(({ text }) => /^sailing course (course|lessons)$/.test(text))).toEqual([]);
  });

  it('is told by the words of any text alike', () => {
    expect(terms.intentOf('grand piano tuning salary')).toBe('job');
    expect(terms.intentOf('brindlemoor piano tuning')).toBe('rival');
    expect(terms.intentOf('weekend sailing course')).toBe('hire');
  });
});

describe('results and rivals', () => {
  it('show guides to who wants to learn, shops to who wants a tool, services to who wants it done', () => {
    const mostly = (text: string) => {
      const kinds = practiceResults(text, terms, 1).rows.map(({ kind }) => kind);
      return (
        (['guide', 'shop', 'service'] as const).find((kind) => kinds.filter((one) => one === kind).length * 2 > kinds.length) ?? 'mixed'
      );
    };
    expect([mostly('how to tune a piano'), mostly('piano tuning app'), mostly('piano tuning'), mostly('piano tuning history')]).toEqual([
      'guide',
      'shop',
      'service',
      'mixed',
    ]);
  });

  it('buy what sells and nothing else', () => {
    for (const competitor of terms.competitorsOf('piano tuning')) expect(buys(competitor, 'piano tuning jobs', terms, 1)).toBe(false);
    const texts = terms.around('piano tuning', ['en'], towns).map(({ text }) => text);
    const { rivals: competitors } = practiceCompetition(texts.slice(0, 100), texts, { terms, seed: 1, ownSite: 'ottlemere.example' });
    expect(competitors.map(({ paidShare }) => paidShare)).toEqual(competitors.map(({ paidShare }) => paidShare).sort((a, b) => b - a));
    for (const { buys: bought } of competitors) expect(bought.every((text) => !text.includes('salary'))).toBe(true);
  });
});
