import type { Limit } from '$lib/core/forecast/estimate';
import type { ChainLink, Grounds } from '$lib/core/forecast/plan-model';
import type { FigureOrigin } from '$lib/core/finds/keyword-figures';
import type { Want } from '$lib/core/verdicts/want-of';
import { countOf } from './texts';
import { formatMoney } from '$lib/core/money/money';
import type { ScopeSaid, WorthSaid } from '$lib/core/forecast/forecast-answers';
import type { Odds } from '$lib/core/forecast/odds';
import type { ThinGroup } from '$lib/core/forecast/too-thin';
import type { Gain, Help } from '$lib/core/forecast/what-helps';
import { wordMoneyRoughly, wordMoneySpan, wordNumber, wordRange } from './figures';

/** What each factor of a forecast is called, and what it stands on. */
export const linkWords: Record<ChainLink['name'], [name: string, standsOn: string]> = {
  searches: ['Searches a month', 'for the very texts of the keywords, each text once'],
  reach: ['× reach of match types', 'what phrase and broad match meet besides, of those for the text: house rules'],
  hours: ['× open hours', 'the share of a usual week’s searches that falls in the hours of the campaigns'],
  devices: ['× devices', 'the share of searches made on the devices that are on'],
  audience: ['× people aimed at', 'what aiming at an audience leaves: a guess'],
  shown: ['× shown', 'of those searches on how many an ad is shown at these bids: house rules'],
  clicked: ['× clicked', 'of ads shown how many are clicked at these bids: house rules, or a report’s own'],
  paid: ['× paid for', 'the share of the clicks asked for that the money pays'],
  convert: ['× converting', 'how many of the clicks convert, by the brief'],
};

/** A factor as it is told: above one with three figures. */
export const wordFactor = (value: number) => (value >= 1 && value < 10 ? String(Number(value.toPrecision(3))) : wordNumber(value));

/** The three runs of a factor. */
export const wordRuns = ([low, middle, high]: ChainLink['factor']) =>
  `low ${wordFactor(low)}, middle ${wordFactor(middle)}, high ${wordFactor(high)}`;

const kinds: Record<FigureOrigin['kind'], string> = {
  report: 'a report',
  measured: 'measured',
  imported: 'brought in',
  estimate: 'estimated',
};

/** Whose a figure is: “brought in, list of 9 Dec”, “practice market”. */
export function wordOrigin({ kind, from, isElsewhere }: FigureOrigin): string {
  const source = from === '' ? kinds[kind] : kind === 'estimate' ? from : `${kinds[kind]}, ${from}`;
  return isElsewhere ? `${source}, of other places` : source;
}

const mostOrigins = 2;

function wordOrigins(what: string, origins: Grounds['searches']): string {
  if (origins.length === 0) return '';
  const named = origins.slice(0, mostOrigins).map(({ origin, count }) => `${wordOrigin(origin)} (${count.toLocaleString('en-GB')})`);
  return `${what}: ${named.join('; ')}${origins.length > mostOrigins ? '; and others' : ''}.`;
}

/** What a forecast stands on, in a few sentences. */
export function wordGrounds({ keywords, unknown, searches, prices, reported }: Grounds): string {
  return [
    `${countOf(keywords - unknown, 'keyword')} with figures, ${unknown.toLocaleString('en-GB')} without.`,
    wordOrigins('Searches', searches),
    wordOrigins('Bids', prices),
    reported > 0 ? `Clicks of ${countOf(reported, 'keyword')} by reports.` : '',
  ]
    .filter(Boolean)
    .join(' ');
}

/** Whether any figure is made up by the practice market. */
export const isInvented = ({ searches, prices }: Grounds) => [...searches, ...prices].some(({ origin }) => origin.kind === 'estimate');

/** What limits, in a word or two. */
export const limitWords: Record<Limit, string> = {
  money: 'Money',
  hours: 'The hours',
  devices: 'The devices',
  audience: 'Aiming at people',
  bid: 'The bids',
  demand: 'Demand',
};

/** What searchers want, in a word. */
export const wantWords: Record<Want, string> = { buy: 'buy', price: 'price', compare: 'compare', unclear: 'unclear' };

/** What to do with a thin group first. */
export const thinWords: Record<ThinGroup['first'], string> = {
  pause: 'pause it: nobody clicks',
  trim: 'trim it to what is clicked',
  merge: 'merge it with another',
};

/** How often a month ends above break-even. */
export function wordOdds({ draws, above }: Odds): string {
  const count = draws.toLocaleString('en-GB');
  if (above === draws) return `all ${count} draws end above break-even.`;
  if (above === 0) return `none of ${count} draws ends above break-even.`;
  return `${Math.round((above / draws) * 100)} % of ${count} draws end above break-even.`;
}

/** Whether a plan pays, as an answer and its reason. */
export function wordVerdict(
  { total, profitMinor }: ScopeSaid,
  { affordableMinor, odds }: WorthSaid,
  { noun, currency }: { noun: string; currency: string },
): { answer: string; reason: string; tone: 'yes' | 'no' | 'unsure' } {
  const money = (minor: number) => wordMoneyRoughly(minor, currency);
  if (total.clicksAsked[2] === 0)
    return { answer: 'Nobody can say yet:', reason: 'keywords with searches, prices and a bid are needed.', tone: 'unsure' };
  const clicks = `${wordRange(total.clicks)} clicks a month for ${wordMoneySpan(total.costMinor, currency)}`;
  if (!total.conversions)
    return {
      answer: 'Nobody can say yet:',
      reason: `${clicks}. How many of the clicks convert, and what that is worth, the brief does not say.`,
      tone: 'unsure',
    };
  const each = total.costPerConversionMinor ? ` at about ${wordMoneySpan(total.costPerConversionMinor, currency)} each` : '';
  const expected = `${wordRange(total.conversions)} ${noun} a month${each}`;
  if (affordableMinor === null || !profitMinor)
    return { answer: 'Nobody can say yet:', reason: `${expected}. What one is worth, the brief does not say.`, tone: 'unsure' };
  const reason = `${expected}, where ${formatMoney(affordableMinor, currency)} is affordable.`;
  if (odds?.said === 'even' || (profitMinor[0] < 0 && profitMinor[2] > 0 && odds?.said !== 'likely' && odds?.said !== 'unlikely'))
    return { answer: 'It may, it may not:', reason, tone: 'unsure' };
  if (profitMinor[1] > 0) return { answer: 'Yes, it should pay:', reason: `${reason} Profit about ${money(profitMinor[1])}.`, tone: 'yes' };
  return { answer: 'No, it would not pay:', reason: `${reason} A month would lose about ${money(-profitMinor[1])}.`, tone: 'no' };
}

/** What a change would bring more. */
export function wordGain({ of, range }: Gain, { noun, currency }: { noun: string; currency: string }): string {
  const signed = (text: string, value: number) => (value > 0 ? `+${text}` : value < 0 ? text : 'none');
  if (of === 'profit') {
    const money = (minor: number) => signed(wordMoneyRoughly(minor, currency), Math.round(minor));
    return `profit ${money(range[1])} a month, from ${money(range[0])} to ${money(range[2])}`;
  }
  const number = (value: number) => signed(wordNumber(value), value);
  return `${number(range[1])} ${of === 'conversions' ? noun : 'clicks'} a month, from ${number(range[0])} to ${number(range[2])}`;
}

/** What a change is, and what its button says. */
export function wordHelp({ kind, amount }: Help, currency: string): [name: string, act: string] {
  const money = (minor: number) => formatMoney(minor, currency, { whole: true });
  const bid = (minor: number) => formatMoney(minor, currency);
  switch (kind) {
    case 'money':
      return [`Money to ${money(amount)}`, 'Raise it'];
    case 'bid':
      return [`Bid ${bid(amount)}`, 'Set it'];
    case 'bid-first':
      return [`Bid ${bid(amount)}, to be first`, 'Set it'];
    case 'bid-worth':
      return [`Bid ${bid(amount)}, a click’s worth`, 'Set it'];
    case 'hours':
      return ['All hours', 'Open them'];
    case 'fed':
      return [`Without ${countOf(amount, 'keyword')}`, `Park ${amount.toLocaleString('en-GB')}`];
  }
}
