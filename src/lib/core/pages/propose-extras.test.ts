import { describe, expect, it } from 'vitest';
import { addLike, cleanFile, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import type { Snapshot } from '../store/snapshot';
import type { ReadPage } from './page-text';
import { proposeExtras } from './propose-extras';

const clean = snapshotOfFile(cleanFile);
const page = (links: ReadPage['links']): ReadPage => ({
  address: 'https://ottlemere.example/',
  status: 200,
  redirects: [],
  pieces: [],
  fitsPhones: true,
  language: 'en',
  links,
});
const link = (path: string, text: string) => ({ text, address: `https://ottlemere.example/${path}` });
const said = (snapshot: Snapshot, pages: ReadPage[] = []) =>
  proposeExtras(viewOf(snapshot), pages).map(({ said: { kind, text, address }, from }) => [kind, text, address, from.what].join(' | '));

describe('extras proposed', () => {
  it('are sitelinks to deeper pages that the site links and nothing opens yet', () => {
    const read = page([
      link('', 'Home'),
      link('prices', 'What it costs'),
      link('tuning', 'Tuning'),
      link('evenings', 'Evening appointments'),
      link('evenings', 'Evenings again'),
      link('long', 'A name that is too long for a sitelink'),
    ]);
    expect(said(clean, [read]).filter((one) => one.startsWith('sitelink'))).toEqual([
      'sitelink | Evening appointments | https://ottlemere.example/evenings | page',
    ]);
  });

  it('are facts that fit and that no line says, as callouts', () => {
    let snapshot = addLike(clean, 'briefItem', { kind: 'fact', text: 'Twelve years at the bench.' });
    snapshot = addLike(snapshot, 'briefItem', { kind: 'fact', text: 'Evening visits' });
    snapshot = addLike(snapshot, 'briefItem', { kind: 'fact', text: 'A fact that says far too much to be a callout' });
    expect(said(snapshot).filter((one) => one.includes('Twelve') || one.includes('Evening') || one.includes('far too'))).toEqual([
      'callout | Twelve years at the bench |  | fact',
    ]);
  });

  it('are offers that end as dated offers, and three that have prices as a list of prices', () => {
    const offers = ['Spring tune', 'Autumn tune', 'Winter tune'].reduce(
      (made, name, at) => addLike(made, 'offer', { name, priceMinor: 9000 + at, endsOn: at === 0 ? '2027-04-30' : null }),
      { ...clean, offer: new Map(clean.offer) } as Snapshot,
    );
    const proposed = proposeExtras(viewOf(offers), []);
    expect(proposed.filter(({ said: { kind, text } }) => kind === 'dated-offer' && text === 'Spring tune')).toMatchObject([
      { said: { endsOn: '2027-04-30' } },
    ]);
    const prices = proposed.find(({ said: { kind } }) => kind === 'price-rows')?.said.prices ?? [];
    expect(prices.map(({ text, priceMinor }) => `${text} ${priceMinor}`)).toEqual(
      expect.arrayContaining(['Spring tune 9000', 'Autumn tune 9001', 'Winter tune 9002']),
    );
  });

  it('are none that stand there already', () => {
    const proposed = proposeExtras(viewOf(clean), []);
    const names = proposed.map(({ said: { text } }) => text);
    expect(names).not.toContain('Evening visits');
    expect(names).not.toContain('Prices');
  });
});
