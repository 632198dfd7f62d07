import { extraKinds } from '../records/extra';
import { writeAddress } from '../text/address';
import { readHours, writeHours } from '../view/hours';
import { nameOfExtra } from '../records/extra';
import type { Extra } from '../records/extra';
import type { Layout } from '../records/layout';
import { writePhoneNumber } from '../text/phone-number';
import { normalizeText } from '../text/text-length';
import type { CellReader } from './cell-reader';
import { readList, readPriceRows, writeList, writePriceRows } from './list-cells';
import type { FieldRow } from './read-rows';

const kindWords = extraKinds.map((kind) => [kind, kind.replace('-', ' ')] as const);

/** What a row of the table of extras says of an extra, by field. */
export const writeExtraCells = (extra: Extra, layout: Layout, currency: string) => ({
  extra: extra.kind.replace('-', ' '),
  text: normalizeText(extra.text),
  'extra description 1': normalizeText(extra.description1),
  'extra description 2': normalizeText(extra.description2),
  address: extra.address === '' ? '' : writeAddress(extra.address),
  header: normalizeText(extra.header),
  values: writeList(extra.values),
  'price rows': writePriceRows(extra.prices, layout, currency),
  phone: writePhoneNumber(extra.phone, extra.phoneCountry),
  country: extra.phoneCountry,
  'open hours': writeHours(extra.hours),
  start: extra.startsOn,
  end: extra.endsOn,
});

/** A number as tables carry it, `441335555012`, gets its `+` back; one written for its own country stays. */
const readPhone = (cell: string) => (/^[1-9]\d{7,14}$/.test(cell) ? `+${cell}` : cell);

/** What an extra is known by beside its campaign: its kind and name. */
export const keyOfExtra = (extra: Pick<Extra, 'kind' | 'text' | 'header' | 'phone' | 'phoneCountry'>) => [
  extra.kind,
  extra.kind === 'call' ? writePhoneNumber(extra.phone, extra.phoneCountry) : nameOfExtra(extra),
];

/** An extra out of a row; what cannot be read of it is said and left open. */
export function readExtraCells(
  row: FieldRow,
  cells: CellReader,
  layout: Layout,
  currency: string,
): Omit<Extra, 'id' | 'position' | 'campaignId'> {
  const text = (field: string) => cells.text(row, field);
  const hours = readHours(text('open hours'));
  if (hours === null) cells.say(row, 'open hours', 'not-hours', text('open hours'));
  return {
    kind: cells.word(row, 'extra', kindWords, text('address') === '' ? 'callout' : 'sitelink'),
    text: text('text'),
    description1: text('extra description 1'),
    description2: text('extra description 2'),
    address: text('address'),
    header: text('header'),
    values: readList(text('values')),
    prices: readPriceRows(text('price rows'), layout, currency),
    phone: readPhone(text('phone')),
    phoneCountry: text('phone') === '' ? '' : text('country').toUpperCase(),
    hours: hours ?? [],
    startsOn: cells.date(row, 'start'),
    endsOn: cells.date(row, 'end'),
  };
}
