import { describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile } from '../../../../tests/clean-plan';
import { marketFigures, noFigures } from '$lib/core/finds/find-figures';
import type { PlanFile } from '$lib/core/exchange/plan-file';
import { makeCities } from '$lib/core/places/cities';
import { markReached, type ReachedPlace } from '$lib/core/places/people';
import { applyEdits, type Snapshot } from '$lib/core/store/snapshot';
import type { Change } from '$lib/core/store/changes';
import { decide } from '$lib/core/store/decide';
import { findPlanView } from '$lib/core/view/plan-view';
import { blankFields } from '$lib/core/records/record-types';
import type { Find } from '$lib/core/records/find';
import { acceptProposals, planAcceptance, rememberProposal } from '$lib/core/research/accept-proposals';
import { FindReading } from '$lib/core/research/find-reading';
import { judgeWord, previewWord } from '$lib/core/research/judge-word';
import { KeptTexts } from '$lib/core/research/kept-texts';
import type { NamedPlace } from '$lib/core/places/found-place';
import { labelledLists } from '../../../../tests/labelled-finds';
import { PracticeMarket } from './practice-market';
import { PracticeTerms, type HiddenIntent } from './practice-terms';

const scotland = { country: 'GB', code: 'GB.SCT' };
const norway = { country: 'NO', code: 'NO.46' };
const cities = makeCities([
  { name: 'Edinburgh', latitude: 55.95, longitude: -3.2, people: 500_000, ...scotland },
  { name: 'Leith', latitude: 55.97, longitude: -3.17, people: 50_000, ...scotland },
  { name: 'Musselburgh', latitude: 55.94, longitude: -3.05, people: 21_000, ...scotland },
  { name: 'Glasgow', latitude: 55.86, longitude: -4.25, people: 630_000, ...scotland },
  { name: 'Perth', latitude: 56.4, longitude: -3.43, people: 47_000, ...scotland },
  { name: 'Bergen', latitude: 60.39, longitude: 5.32, people: 280_000, ...norway },
  { name: 'Askøy', latitude: 60.4, longitude: 5.2, people: 29_000, ...norway },
  { name: 'Oslo', latitude: 59.91, longitude: 10.75, people: 700_000, ...norway },
  { name: 'Stavanger', latitude: 58.97, longitude: 5.73, people: 145_000, ...norway },
]);
const market = new PracticeMarket({ cities, findCountry: (code) => ({ languages: code === 'GB' ? ['en'] : ['nb'] }) }, { pauseMs: 0 });
const around = (country: string, latitude: number, longitude: number): ReachedPlace => ({
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
const edinburgh = { language: 'en', place: around('GB', 55.95, -3.2) };
const trades: Record<string, Trade> = {
  pianos: {
    ...edinburgh,
    terms: ['piano tuning', 'piano repair'],
    brief: { offer: 'Piano tuning, repair and restoration', rivals: ['Brindlemoor', 'Quillow'], notOffered: ['digital pianos', 'lessons'] },
  },
  'cold frames': {
    ...edinburgh,
    terms: ['cold frames', 'glasshouse'],
    brief: { goal: 'sales', offer: 'Cold frames in ash and glass', rivals: ['Tansel & Overmoor'], notOffered: ['polytunnels'] },
  },
  sailing: {
    language: 'nb',
    place: around('NO', 60.39, 5.32),
    terms: ['seilkurs', 'helgekurs seiling'],
    brief: { offer: 'Helgekurs i seiling', rivals: ['Kvernskjær Seilsenter'], notOffered: ['motorbåt', 'båtførerprøven'] },
  },
  'an unknown trade': {
    ...edinburgh,
    terms: ['boiler service', 'loft insulation'],
    brief: { offer: 'Boiler service', rivals: ['Brackenford'], notOffered: [] },
  },
};

type Right = 'keep' | 'block' | 'pass';
const kept: ReadonlySet<HiddenIntent> = new Set(['hire', 'price', 'near', 'urgent', 'compare']);
const rightFor = (intent: HiddenIntent): Right => (kept.has(intent) ? 'keep' : intent === 'unclear' ? 'pass' : 'block');
const wellEnough = 0.95;
/** As the screen offers it. */
const sure = 0.9;
const mostlyWrong = 0.25;

/** A freelancer with the list before them, who knows what is right when they look at a find, and whose every action counts. */
class Hands {
  private readonly reading = new FindReading();
  private made = 0;
  actions = 0;

  constructor(
    private snapshot: Snapshot,
    private readonly truth: ReadonlyMap<string, Right>,
    private readonly places: readonly NamedPlace[],
    private readonly terms: readonly string[],
  ) {
    this.read();
  }

  get finds(): Find[] {
    return [...this.snapshot.find.values()];
  }

  get left(): Find[] {
    return this.finds.filter(({ verdict }) => verdict === 'open');
  }

  get agreement(): number {
    return this.finds.filter((find) => find.verdict === this.rightOf(find)).length / this.finds.length;
  }

  private readonly newId = () => `made${++this.made}`;
  private readonly rightOf = ({ text }: Find): Right => this.truth.get(text) ?? 'keep';

  private read(): void {
    this.reading.update(findPlanView(this.snapshot, 'plan')!, { places: this.places, terms: this.terms });
  }

  private make(change: Change | null): void {
    if (!change) return;
    const decision = decide(this.snapshot, change, 'plan');
    if (!decision.ok) throw new Error(decision.refusal.code);
    this.snapshot = applyEdits(this.snapshot, decision.edits);
    this.read();
  }

  /** Looks at what accepting would do, ticks off each reason that is mostly wrong, accepts the rest, and sets right what was wrong of that. */
  accept(): boolean {
    const { groups } = planAcceptance(this.left, this.reading.proposalOf, sure);
    const wrongOf = ({ finds, verdict }: (typeof groups)[number]) => finds.filter((find) => this.rightOf(find) !== verdict);
    const taken = groups.filter((group) => wrongOf(group).length <= mostlyWrong * group.finds.length);
    this.actions += 2 + groups.length - taken.length;
    const wrong = taken.flatMap(wrongOf);
    const keptTexts = this.finds.flatMap(({ text, verdict }) => (verdict === 'keep' ? [text] : []));
    this.make(
      acceptProposals(this.snapshot, taken, {
        proposalOf: this.reading.proposalOf,
        kept: new KeptTexts(keptTexts),
        isCore: this.reading.words.isCore.bind(this.reading.words),
        newId: this.newId,
      }),
    );
    for (const { id } of wrong) this.judge(this.snapshot.find.get(id)!);
    return taken.length > 0;
  }

  /** Goes down the words that are offered to the first whose finds all want the same, and judges it: a click and a key. */
  judgeWord(): boolean {
    const { index } = this.reading;
    for (const word of this.reading.nextWords(60)) {
      const { finds, conflicts } = previewWord(this.snapshot, index, word.key);
      const [verdict, count] = (['keep', 'block', 'pass'] as const)
        .map((one) => [one, finds.filter((find) => this.rightOf(find) === one).length] as const)
        .sort((a, b) => b[1] - a[1])[0]!;
      if (finds.length < 2 || count / finds.length < wellEnough) continue;
      this.actions += 2;
      const negatives = conflicts.length > 0 ? 'each' : 'word';
      this.make(judgeWord(this.snapshot, index, word.key, { verdict, reason: 'other', stands: true, negatives }, this.newId));
      return true;
    }
    return false;
  }

  /** One key for one find. */
  judge(find: Find): void {
    this.actions++;
    this.make({
      type: 'several',
      name: 'finds-judged',
      changes: [
        { type: 'set-each', record: 'find', rows: [{ id: find.id, proposed: rememberProposal(this.reading.proposalOf(find)) }] },
        { type: 'judge', ids: [find.id], verdict: this.rightOf(find) },
      ],
    });
  }

  /** Accepts what is sure every now and then, else judges a word, else the next find. */
  sort(): void {
    for (let round = 0; this.left.length > 0; round++) {
      if (round % 12 === 0 && this.accept()) continue;
      if (!this.judgeWord()) this.judge(this.left[0]!);
    }
  }
}

/** A research as the market gives it, and what is right. */
async function handsOn({ terms, language, place, brief }: Trade, seed: number): Promise<Hands> {
  const figures = await market.finds(terms, { places: [place], languages: [language], asksFromAfar: false, currency: 'GBP', seed });
  const marks = markReached(cities, [place]);
  const places = cities.names.flatMap((name, index): NamedPlace[] =>
    cities.countryCodes[cities.countries[index]!] === place.country
      ? [
          {
            name: name.toLowerCase(),
            isOurs: marks[index] === 1,
            km: null,
            nearest: '',
            country: 'GB',
            people: cities.people[index]!,
            isOwnName: true,
          },
        ]
      : [],
  );
  const named = (isOurs: boolean) => places.flatMap((one) => (one.isOurs === isOurs ? [one.name] : []));
  const hidden = terms.flatMap((term) => new PracticeTerms().around(term, [language], { inside: named(true), outside: named(false) }));
  const finds = figures.slice(0, 1200).map((one) => ({
    ...blankFields('find'),
    ...marketFigures(one, { key: '', on: '2026-12-21', from: 'practice market' }),
    text: one.text,
    verdict: 'open' as const,
    source: 'practice market',
    isMisspelling: one.isMisspelling ?? false,
  }));
  const file: PlanFile = {
    ...cleanFile,
    brief: { ...cleanFile.brief, languages: [language], places: [], ...brief },
    campaigns: [],
    finds,
  };
  return new Hands(snapshotOfFile(file), new Map(hidden.reverse().map(({ text, intent }) => [text, rightFor(intent)])), places, terms);
}

describe('a research of 1,200 finds is sorted by hand', () => {
  const runs = Object.entries(trades).flatMap(([name, trade]) => [1, 77, 91].map((seed) => ({ name, seed, trade })));
  it.each(runs)('$name, seed $seed: in at most 500 actions, at least 95 % right', async ({ trade, name, seed }) => {
    const hands = await handsOn(trade, seed);
    expect(hands.finds.length).toBeGreaterThan(1000);
    hands.sort();
    process.stdout.write(
      `${name}, seed ${seed}: ${hands.finds.length} finds in ${hands.actions} actions, ${(hands.agreement * 100).toFixed(1)} % right\n`,
    );
    expect(hands.actions).toBeLessThanOrEqual(500);
    expect(hands.agreement).toBeGreaterThanOrEqual(wellEnough);
  });
});

/** The finds of a labelled list as somebody would have pasted them, and what their label says is right. */
function handsOnList(name: string): Hands {
  const { brief, named, finds } = labelledLists.get(name)!;
  const rows = finds.map(({ text }) => ({ ...blankFields('find'), ...noFigures, text, verdict: 'open' as const, source: 'pasted' }));
  const file: PlanFile = {
    ...cleanFile,
    brief: {
      ...cleanFile.brief,
      languages: [brief.language],
      offer: brief.offer,
      sells: brief.sells,
      notOffered: [...brief.notOffered],
      rivals: [...brief.rivals],
      ownNames: [brief.ownName],
      places: [],
    },
    campaigns: [],
    finds: rows,
  };
  const places = named.map((place) => ({ ...place, nearest: '' }));
  return new Hands(snapshotOfFile(file), new Map(finds.map(({ text, verdict }) => [text, verdict])), places, []);
}

describe('finds as people search them are sorted by hand', () => {
  const efforts: number[] = [];

  it.each([...labelledLists.keys()])('%s', (name) => {
    const hands = handsOnList(name);
    hands.sort();
    const each = hands.actions / hands.finds.length;
    process.stdout.write(`${name}: ${each.toFixed(2)} actions a find, ${(hands.agreement * 100).toFixed(1)} % right\n`);
    expect(hands.agreement).toBeGreaterThanOrEqual(0.97);
    efforts.push(each);
    expect(each).toBeLessThanOrEqual(0.5);
  });

  it('in at most 0.45 actions a find', () => {
    expect(efforts.reduce((sum, each) => sum + each, 0) / efforts.length).toBeLessThanOrEqual(0.45);
  });
});
