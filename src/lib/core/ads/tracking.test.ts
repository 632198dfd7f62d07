import { describe, expect, it } from 'vitest';
import { snapshotOfFile, change, cleanFile, row, viewOf } from '../../../tests/clean-plan';
import { addressOnClick, addTracking, trackingContext, trackingOf, type TrackingContext } from './tracking';

const context: TrackingContext = {
  page: 'https://ottlemere.example/tuning?offer=new-year',
  values: { group: 'piano tuning', campaign: 'leads_edinburgh', client: '' },
  language: 'en',
  addressLimit: 2048,
};
const add = (parameters: [string, string][], more: Partial<TrackingContext> = {}) =>
  addTracking(
    parameters.map(([name, value]) => ({ name, value })),
    { ...context, ...more },
  );

const clean = snapshotOfFile(cleanFile);

describe('tracking parameters', () => {
  it('are added to the address, slots filled, with an example of what a click fills', () => {
    const { address, problems } = add([
      ['source', 'search'],
      ['theme', '[[group]]'],
      ['term', '[[clicked-keyword]]'],
      ['name', '[[campaign]]-[[clicked-device]]'],
    ]);
    expect(problems).toEqual([]);
    expect(address).toBe(
      'https://ottlemere.example/tuning?offer=new-year&source=search&theme=piano+tuning&term=piano+tuning&name=leads_edinburgh-phone',
    );
  });

  it.each<[string, [string, string][], string]>([
    ['without a name', [['', 'a']], 'no-name'],
    ['with a broken name', [['so urce', 'a']], 'name-broken'],
    ['with an ampersand in its name', [['a&b', 'a']], 'name-broken'],
    ['that the page has already', [['offer', 'a']], 'in-page'],
    ['with an unknown slot', [['source', '[[nothing]]']], 'slot-wrong'],
    ['with a slot that nothing fills', [['source', '[[client]]']], 'slot-wrong'],
    ['with a live slot', [['source', '[[keyword|x]]']], 'slot-wrong'],
  ])('%s are told', (_, parameters, code) => expect(add(parameters).problems.map((problem) => problem.code)).toEqual([code]));

  it('given twice are told once, and the first one counts', () => {
    const { address, problems } = add([
      ['source', 'one'],
      ['source', 'two'],
    ]);
    expect(problems).toEqual([{ name: 'source', code: 'twice' }]);
    expect(address).toContain('source=one');
    expect(address).not.toContain('two');
  });

  it('that make the address too long are told', () => {
    expect(add([['source', 'x'.repeat(60)]], { addressLimit: 80 }).problems.map(({ code }) => code)).toContain('too-long');
  });

  it('of a plan come before those of a campaign, and are shown on the page of its first group', () => {
    const snapshot = change(
      change(snapshotOfFile(cleanFile), 'brief', { tracking: [{ name: 'source', value: '[[client]]' }] }),
      'campaign',
      {
        tracking: [{ name: 'place', value: '[[place]]' }],
      },
    );
    const [view, campaign] = [viewOf(snapshot), row(snapshot, 'campaign')];
    expect(trackingOf(view, campaign).map(({ name }) => name)).toEqual(['source', 'place']);
    const { address } = addTracking(trackingOf(view, campaign), trackingContext(view, campaign));
    expect(address).toMatch(/^https:\/\/ottlemere\.example\/tuning\?source=Ottlemere\+Piano\+Workshop&place=/);
  });
});

describe('the address that a click opens', () => {
  const group = row(clean, 'group', 0);
  const ad = row(clean, 'ad', 0);
  it('is filled with the values of its own group, its keyword and its ad', () => {
    const tracked = change(clean, 'campaign', {
      tracking: [
        { name: 'g', value: '[[group]]' },
        { name: 'k', value: '[[clicked-keyword]]' },
        { name: 'a', value: '[[clicked-ad]]' },
      ],
    });
    const other = { ...group, theme: 'pedal repair', landingPage: 'ottlemere.example/pedals' };
    const address = addressOnClick(viewOf(tracked), other, { ...ad, landingPage: 'ottlemere.example/own' }, 'sticking pedal');
    const opened = new URL(address!);
    expect(opened.origin + opened.pathname).toBe('https://ottlemere.example/own');
    expect(Object.fromEntries(opened.searchParams)).toEqual({ g: 'pedal repair', k: 'sticking pedal', a: ad.name });
  });
  it('is none without parameters', () => expect(addressOnClick(viewOf(clean), group, ad, 'x')).toBeNull());
});
