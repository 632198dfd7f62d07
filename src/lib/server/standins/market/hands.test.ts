import { existsSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { bookOfFile, cleanFile, viewOf } from '../../../../tests/clean-plan';
import { makeCities } from '$lib/core/places/cities';
import { markReached, type ReachedPlace } from '$lib/core/places/people';
import { acceptProposals, planAcceptance, rememberProposal } from '$lib/core/research/accept-proposals';
import { FindReading } from '$lib/core/research/find-reading';
import { judgeWord, previewWord } from '$lib/core/research/judge-word';
import type { NamedPlace } from '$lib/core/research/lexicon';
import { marketFigures } from '$lib/core/market/find-figures';
import type { PlanFile } from '$lib/core/exchange/plan-file';
import { applyEdits, type Book } from '$lib/core/plan/book';
import type { Change } from '$lib/core/plan/changes';
import { decide } from '$lib/core/plan/decide';
import { findPlanView } from '$lib/core/plan/plan-view';
import { laterFind, type Find, type Verdict } from '$lib/core/plan/records/find';
import { PracticeMarket } from './practice-market';
import { PracticeTerms, type HiddenIntent } from './practice-terms';

const cities = makeCities([
  { name: 'Edinburgh', latitude: 55.95, longitude: -3.2, people: 500_000, country: 'GB', code: 'GB.SCT' },
  { name: 'Leith', latitude: 55.97, longitude: -3.17, people: 50_000, country: 'GB', code: 'GB.SCT' },
  { name: 'Musselburgh', latitude: 55.94, longitude: -3.05, people: 21_000, country: 'GB', code: 'GB.SCT' },
  { name: 'Glasgow', latitude: 55.86, longitude: -4.25, people: 630_000, country: 'GB', code: 'GB.SCT' },
  { name: 'Leeds', latitude: 53.8, longitude: -1.55, people: 510_000, country: 'GB', code: 'GB.ENG' },
  { name: 'Perth', latitude: 56.4, longitude: -3.43, people: 47_000, country: 'GB', code: 'GB.SCT' },
  { name: 'Bergen', latitude: 60.39, longitude: 5.32, people: 280_000, country: 'NO', code: 'NO.46' },
  { name: 'Askøy', latitude: 60.4, longitude: 5.2, people: 29_000, country: 'NO', code: 'NO.46' },
  { name: 'Oslo', latitude: 59.91, longitude: 10.75, people: 700_000, country: 'NO', code: 'NO.03' },
  { name: 'Stavanger', latitude: 58.97, longitude: 5.73, people: 145_000, country: 'NO', code: 'NO.11' },
]);
const world = { cities, findCountry: (code: string) => ({ languages: code === 'GB' ? ['en'] : ['nb'] }) };
const market = new PracticeMarket(world, { pauseMs: 0 });
const circle = (country: string, latitude: number, longitude: number): ReachedPlace => ({
  kind: 'city',
  country,
  code: '',
  latitude,
  longitude,
  radiusKm: 20,
  excluded: false,
});

interface Trade {
  terms: string[];
  language: string;
  place: ReachedPlace;
  brief: Partial<PlanFile['brief']>;
}
const trades: Record<string, Trade> = {
  pianos: {
    terms: ['piano tuning'],
    language: 'en',
    place: circle('GB', 55.95, -3.2),
    brief: {
      offer: 'Piano tuning, repair and restoration',
      rivals: ['Brindlemoor', 'Quillow'],
      notOffered: ['digital pianos', 'organs', 'lessons', 'sheet music'],
    },
  },
  frames: {
    terms: ['cold frames'],
    language: 'en',
    place: circle('GB', 55.95, -3.2),
    brief: { goal: 'sales', offer: 'Cold frames in ash and glass', rivals: ['Tansel & Overmoor'], notOffered: ['polytunnels'] },
  },
  sailing: {
    terms: ['seilkurs', 'helgekurs seiling'],
    language: 'nb',
    place: circle('NO', 60.39, 5.32),
    brief: { offer: 'Helgekurs i seiling', rivals: ['Kvernskjær Seilsenter'], notOffered: ['motorbåt', 'båtførerprøven'] },
  },
};

const right: Record<HiddenIntent, Verdict> = {
  hire: 'keep',
  price: 'keep',
  near: 'keep',
  urgent: 'keep',
  compare: 'keep',
  learn: 'block',
  job: 'block',
  free: 'block',
  tool: 'block',
  brand: 'block',
  rival: 'block',
  shop: 'block',
  place: 'block',
  unclear: 'pass',
};

/** A freelancer with a list in front of them, who knows what is right when they look, and counts their actions. */
class Hands {
  readonly reading = new FindReading();
  actions = 0;
  log: string[] = [];
  private made = 0;

  constructor(
    private book: Book,
    private readonly truth: ReadonlyMap<string, Verdict>,
    private readonly places: NamedPlace[],
    private readonly terms: string[],
  ) {
    this.read();
  }

  get finds(): Find[] {
    return [...this.book.find.values()];
  }
  get left(): Find[] {
    return this.finds.filter(({ verdict }) => verdict === 'open');
  }
  private read() {
    this.reading.update(findPlanView(this.book, 'plan')!, this.places, this.terms);
  }
  private make(change: Change | null) {
    if (!change) return;
    const decision = decide(this.book, change, 'plan');
    if (!decision.ok) throw new Error(decision.refusal.code);
    this.book = applyEdits(this.book, decision.edits);
    this.read();
  }
  rightOf = ({ text }: Find) => this.truth.get(text) ?? 'keep';

  accept(atLeast: number) {
    const { groups } = planAcceptance(this.left, this.reading.proposalOf, atLeast);
    // One look at the list of what it will do, a tick off for each that is wrong at a glance, one key.
    const seen = groups.filter(
      ({ finds, verdict }) => finds.filter((find) => this.rightOf(find) === verdict).length / finds.length >= 0.95,
    );
    this.actions += 2 + groups.length - seen.length;
    const count = seen.reduce((sum, { finds }) => sum + finds.length, 0);
    this.log.push(
      `accept ${count}, off ${groups.length - seen.length}: ${groups
        .filter((g) => !seen.includes(g))
        .map(
          (g) =>
            `${g.verdict} ${g.intent} ${g.finds
              .filter((f) => this.rightOf(f) !== g.verdict)
              .slice(0, 3)
              .map((f) => f.text)}`,
        )}`,
    );
    this.make(
      acceptProposals(
        seen,
        this.reading.proposalOf,
        this.finds.filter(({ verdict }) => verdict === 'keep').map(({ text }) => text),
      ),
    );
    return count;
  }

  judgeWords(): boolean {
    for (const word of this.reading.nextWords(60)) {
      const { finds, conflicts } = previewWord(this.book, this.reading.index, word.key);
      const votes = new Map<Verdict, number>();
      for (const find of finds) votes.set(this.rightOf(find), (votes.get(this.rightOf(find)) ?? 0) + 1);
      const [verdict, count] = [...votes].sort((a, b) => b[1] - a[1])[0]!;
      if (count / finds.length < 0.95 || finds.length < 2) continue;
      this.actions += 2;
      this.log.push(`${word.shown} ${verdict} ${finds.length}`);
      const asked = {
        verdict: verdict as 'keep',
        reason: 'other' as const,
        stands: true,
        negatives: conflicts.length > 0 ? ('each' as const) : ('word' as const),
      };
      this.make(judgeWord(this.book, this.reading.index, word.key, asked, () => `made${++this.made}`));
      return true;
    }
    return false;
  }

  one(find: Find) {
    this.actions++;
    const proposal = this.reading.proposalOf(find);
    this.log.push(`one ${find.text} ${this.rightOf(find)} (${proposal.verdict} ${proposal.because})`);
    this.make({
      type: 'several',
      name: 'finds-judged',
      changes: [
        { type: 'set-each', record: 'find', rows: [{ id: find.id, proposed: rememberProposal(proposal) }] },
        { type: 'judge', ids: [find.id], verdict: this.rightOf(find) },
      ],
    });
  }

  get agreement() {
    return this.finds.filter((find) => find.verdict === this.rightOf(find)).length / this.finds.length;
  }
}

describe('reading finds by hand', () => {
  it.each(Object.entries(trades).flatMap(([name, trade]) => [1, 2].map((seed) => ({ name, seed, trade }))))(
    '$name, seed $seed',
    async ({ trade, name, seed }) => {
      const { terms, language, place, brief } = trade;
      const figures = await market.finds(terms, { places: [place], languages: [language], asksFromAfar: false, currency: 'GBP', seed });
      const marks = markReached(cities, [place]);
      const places = cities.names.flatMap((town, index) =>
        cities.countryCodes[cities.countries[index]!] === place.country
          ? [{ name: town.toLowerCase(), isOurs: marks[index] === 1, km: null }]
          : [],
      );
      const truth = new Map(
        terms
          .flatMap((term) =>
            new PracticeTerms().around(term, [language], {
              inside: places.filter((p) => p.isOurs).map((p) => p.name),
              outside: places.filter((p) => !p.isOurs).map((p) => p.name),
            }),
          )
          .reverse()
          .map(({ text, intent }) => [text, right[intent]]),
      );
      const file: PlanFile = {
        ...cleanFile,
        brief: { ...cleanFile.brief, languages: [language], places: [], ...brief },
        campaigns: [],
        finds: figures.slice(0, 1200).map((one) => ({
          ...laterFind,
          ...marketFigures(one, { key: 'x', on: '2026-12-21', from: 'm' }),
          text: one.text,
          verdict: 'open',
          source: 'm',
          isMisspelling: false,
        })),
      };
      const hands = new Hands(bookOfFile(file), truth, places, terms);
      void viewOf;
      void existsSync;
      for (let round = 0; round < 400 && hands.left.length > 0; round++) {
        if (round % 12 === 0 && hands.accept(0.95) > 0) continue;
        if (hands.judgeWords()) continue;
        const [first] = hands.left;
        if (first) hands.one(first);
      }
      console.log(
        name,
        seed,
        hands.finds.length,
        'left',
        hands.left.length,
        'actions',
        hands.actions,
        'agreement',
        hands.agreement,
        '\n' + hands.log.slice(0, 60).join('\n'),
      );
      expect(hands.actions).toBeLessThanOrEqual(500);
      expect(hands.agreement).toBeGreaterThanOrEqual(0.95);
    },
  );
});
