import { describe, expect, it } from 'vitest';
import { readResults, resultKinds } from '$lib/core/research/results-page';
import { findWide } from '../../ask-wide';
import type { ReachedPlace } from '$lib/core/places/people';
import type { Market, MarketAsk } from './market';

/** Places of which one lies in the other, and two that share nobody. */
export interface ContractPlaces {
  country: ReachedPlace;
  city: ReachedPlace;
  other: ReachedPlace;
  language: string;
  /** A town of the city's, in small letters. */
  town: string;
}

const texts = ['piano tuning', 'cold frame kits', 'boiler service cost', 'x'];

/** What any source of finds and figures has to keep. */
export function describeMarket(name: string, market: Market, { country, city, other, language, town }: ContractPlaces): void {
  const ask = (...places: ReachedPlace[]): MarketAsk => ({ places, languages: [language], asksFromAfar: false, currency: 'GBP', seed: 7 });

  describe(`${name} as a market`, () => {
    it('answers each text in order, with ranges, twelve months and a bid for each level', async () => {
      const figures = await market.figures(texts, ask(country));
      expect(figures.map(({ text }) => text)).toEqual(texts);
      for (const { searchesPerMonth, months, bids } of figures) {
        expect(searchesPerMonth.low).toBeLessThanOrEqual(searchesPerMonth.high);
        expect(searchesPerMonth.low).toBeGreaterThanOrEqual(0);
        expect(months).toHaveLength(12);
        expect(bids).toHaveLength(market.levels.length);
        bids.forEach(({ low, high }, level) => {
          expect(low).toBeLessThanOrEqual(high);
          expect(Number.isInteger(low) && Number.isInteger(high)).toBe(true);
          if (level > 0) expect(low).toBeGreaterThanOrEqual(bids[level - 1]!.low);
        });
        const year = months.reduce((sum, searches) => sum + searches, 0) / 12;
        expect(year).toBeGreaterThanOrEqual(searchesPerMonth.low - 1);
        expect(year).toBeLessThanOrEqual(searchesPerMonth.high + 1);
      }
    });

    it('gives the same answer to the same question, alone or among others', async () => {
      const together = await market.figures(texts, ask(city));
      expect(await market.figures(texts, ask(city))).toEqual(together);
      for (const [index, text] of texts.entries()) expect(await market.figures([text], ask(city))).toEqual([together[index]]);
    });

    it('never gives a city more than its country, and adds towns up', async () => {
      const [whole, one, two, both] = await Promise.all([
        market.figures(texts, ask(country)),
        market.figures(texts, ask(city)),
        market.figures(texts, ask(other)),
        market.figures(texts, ask(city, other)),
      ]);
      texts.forEach((_, index) => {
        for (const end of ['low', 'high'] as const) {
          const at = (figures: typeof whole) => figures[index]!.searchesPerMonth[end];
          expect(at(one)).toBeLessThanOrEqual(at(whole));
          expect(Math.abs(at(one) + at(two) - at(both))).toBeLessThanOrEqual(1);
        }
      });
    });

    it('finds what is searched around terms: the terms first, each text once, with figures as asked for by themselves', async () => {
      const terms = ['piano tuning', 'dry stone walling'];
      const finds = await market.finds(terms, ask(country));
      const found = finds.map(({ text }) => text);
      expect(found).toEqual(expect.arrayContaining(terms));
      expect(found[0]).toBe(terms[0]);
      expect(new Set(found).size).toBe(found.length);
      expect(await market.figures(found.slice(0, 5), ask(country))).toEqual(finds.slice(0, 5));
      expect(found.length).toBeGreaterThan(300);
      expect(found.length).toBeLessThanOrEqual(4000);
    });

    it('finds long ones alone, and terms beside those asked for', async () => {
      const long = await market.finds(['piano tuning'], { ...ask(country), depth: 'long' });
      expect(long.length).toBeGreaterThan(100);
      expect(long.every(({ text }) => text.split(' ').length >= 4)).toBe(true);
      const related = await market.finds(['piano tuning'], { ...ask(country), depth: 'related' });
      expect(related.length).toBeGreaterThan(50);
      expect(related.filter(({ text }) => /\bpiano\b/.test(text) && /\btuning\b/.test(text))).toEqual([]);
      for (const found of [long, related]) expect(new Set(found.map(({ text }) => text)).size).toBe(found.length);
    });

    it('says how far it is, and can be stopped', async () => {
      const said: [number, number][] = [];
      await market.finds(['piano tuning', 'cold frames'], ask(city), { onProgress: (done, of) => said.push([done, of]) });
      expect(said.at(-1)).toEqual([2, 2]);
      const stop = AbortSignal.abort();
      await expect(market.finds(['piano tuning'], ask(city), { signal: stop })).rejects.toThrow();
    });

    it('finds more searches where those count who ask from afar, and the same bids', async () => {
      const near = await market.figures(texts, ask(city));
      const far = await market.figures(texts, { ...ask(city), asksFromAfar: true });
      far.forEach(({ searchesPerMonth, bids }, index) => {
        expect(searchesPerMonth.low).toBeGreaterThanOrEqual(near[index]!.searchesPerMonth.low);
        expect(searchesPerMonth.high).toBeGreaterThanOrEqual(near[index]!.searchesPerMonth.high);
        expect(bids).toEqual(near[index]!.bids);
      });
      expect(far.some(({ searchesPerMonth: { high } }, index) => high > near[index]!.searchesPerMonth.high)).toBe(true);
    });

    it('tells who competes, consistent with what they buy', async () => {
      const asked = { ...ask(country), ownSite: 'ottlemere.example' };
      const searches = ['piano tuning', 'piano tuner', 'piano repair', 'piano tuning price'];
      const { rivals: competitors, ownFree } = await market.competition(searches, asked);
      expect(await market.competition(searches, asked)).toEqual({ rivals: competitors, ownFree });
      expect(competitors.length).toBeGreaterThan(0);
      for (const { buys, paidShare, months, ads } of competitors) {
        expect(searches.filter((text) => buys.includes(text)).length / searches.length).toBe(paidShare);
        expect(months).toHaveLength(12);
        expect(ads.every(({ days, searches: shown }) => days > 0 && shown.every((text) => buys.includes(text)))).toBe(true);
      }
      expect(ownFree.every((text) => searches.includes(text))).toBe(true);
    });

    it('shows the same results page for the same search, each row with what it is', async () => {
      const pages = await market.results(texts, { seed: 7 });
      expect(pages.map(({ text }) => text)).toEqual(texts);
      expect(await market.results([texts[1]!], { seed: 7 })).toEqual([pages[1]]);
      for (const { rows } of pages) {
        expect(rows.length).toBeGreaterThan(2);
        for (const { title, domain, kind } of rows) {
          expect(title.length * domain.length).toBeGreaterThan(0);
          expect(resultKinds).toContain(kind);
        }
      }
    });

    it('searches head terms more than longer ones, and a misspelling less than a tenth as much as its source', async () => {
      const longer = ['piano tuning', 'piano tuning service', 'piano tuning service price', 'piano tuning service price today'];
      const heads = (await market.figures(longer, ask(country))).map(({ searchesPerMonth }) => searchesPerMonth.high);
      expect(heads).toEqual([...heads].sort((a, b) => b - a));
      expect(heads[0]! / heads.at(-1)!).toBeGreaterThan(5);
      const finds = await market.finds(['piano tuning'], ask(country));
      const mistyped = finds.filter(({ isMisspelling }) => isMisspelling);
      expect(mistyped.length).toBeGreaterThan(5);
      const head = finds[0]!.searchesPerMonth.high;
      for (const { searchesPerMonth } of mistyped) expect(searchesPerMonth.high * 10).toBeLessThanOrEqual(head + 10);
    });

    it('searches a town’s trade in that town', async () => {
      const text = `piano tuning ${town}`;
      const [here, there] = [await market.figures([text], ask(city)), await market.figures([text], ask(other))];
      expect(here[0]!.searchesPerMonth.high).toBeGreaterThan(10 * there[0]!.searchesPerMonth.high);
    });

    it('says of a trade that it has no story for that its numbers are invented, and shows no evidence of it', async () => {
      const [known, unknown] = await market.figures(['piano tuning', 'boiler service'], ask(country));
      expect([known!.isInvented ?? false, unknown!.isInvented]).toEqual([false, true]);
      const [page] = await market.results(['boiler service'], { seed: 7 });
      expect(readResults(page!)).toMatchObject({ mostly: null, isInvented: true });
    });

    it('has three levels of bid, in order', async () => {
      expect(market.levels).toHaveLength(3);
      for (const { bids } of await market.figures(texts, ask(city)))
        bids.slice(1).forEach(({ low, high }, at) => {
          expect(low).toBeGreaterThanOrEqual(bids[at]!.low);
          expect(high).toBeGreaterThanOrEqual(bids[at]!.high);
        });
    });

    it('asked wide and counted local, gives a small place the wordings of its country with its own figures', async () => {
      const local = await market.finds(['piano tuning'], ask(city));
      const wide = await findWide(market, ['piano tuning'], ask(city), { peopleOf: () => 50_000 });
      expect(wide.slice(0, local.length)).toEqual(local);
      const texts = wide.map(({ text }) => text);
      expect(new Set(texts).size).toBe(texts.length);
      const fresh = wide.slice(local.length).map(({ isMisspelling: _, ...one }) => one);
      expect(
        await market.figures(
          fresh.map(({ text }) => text),
          ask(city),
        ),
      ).toEqual(fresh);
      for (const { searchesPerMonth } of fresh) expect(searchesPerMonth.high).toBeGreaterThan(1);
      expect(await findWide(market, ['piano tuning'], ask(country), { peopleOf: () => 5_000_000 })).toEqual(
        await market.finds(['piano tuning'], ask(country)),
      );
    });

    it('knows nobody where no place is asked about', async () => {
      const [figures] = await market.figures(['piano tuning'], ask());
      expect(figures?.searchesPerMonth).toEqual({ low: 0, high: 0 });
    });
  });
}
