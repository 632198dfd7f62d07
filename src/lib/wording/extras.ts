import type { ExtraLevel } from '$lib/core/view/extras-shown';
import type { ExtraSaid } from '$lib/core/records/extra';
import type { ProposedExtra } from '$lib/core/pages/propose-extras';
import { formatMoney } from '$lib/core/money/money';
import { wordDate } from './texts';

/** What a level of extras is called. */
export const levelWords: Readonly<Record<ExtraLevel, string>> = { plan: 'the plan', campaign: 'the campaign', group: 'the group' };

/** An extra in one line, as it is read; amounts in the account's currency. */
export function sayExtra(
  { kind, text, header, values, prices, phone, endsOn, code, leastMinor }: Omit<ExtraSaid, 'setName'>,
  currency: string,
): string {
  const money = (minor: number) => formatMoney(minor, currency, { whole: true });
  switch (kind) {
    case 'listed-values':
      return `${header}: ${values.join(', ')}`;
    case 'price-rows':
      return prices.map((row) => [row.text, row.priceMinor === null ? '' : money(row.priceMinor)].join(' ').trim()).join(' · ');
    case 'call':
      return phone;
    case 'dated-offer':
      return [
        text,
        code === '' ? '' : `code ${code}`,
        leastMinor === null ? '' : `from ${money(leastMinor)}`,
        endsOn === null ? '' : `until ${wordDate(endsOn)}`,
      ]
        .filter((part) => part !== '')
        .join(', ');
    default:
      return text;
  }
}

/** What a proposed extra was found in. */
export function wordExtraSource({ what, name }: ProposedExtra['from']): string {
  switch (what) {
    case 'page':
      return `a link on ${name.replace(/^https?:\/\//, '')}`;
    case 'fact':
      return 'a fact of the brief';
    case 'proof':
      return 'a proof of the brief';
    case 'offer':
      return 'offers of the brief';
    case 'client':
      return 'the client’s name';
    case 'group':
      return 'the plan’s groups';
  }
}
