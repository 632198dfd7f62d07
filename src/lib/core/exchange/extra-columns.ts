import { extraKinds } from '../records/extra';
import { writeAddress } from '../text/address';
import { writeHours } from '../view/hours';
import { nameOfExtra } from '../records/extra';
import type { Extra } from '../records/extra';
import { writePhoneNumber } from '../text/phone-number';
import { normalizeText } from '../text/text-length';
import { readList, readPriceRows, writeList, writePriceRows } from './list-cells';
import type { TableColumn, TableColumns } from './table-columns';

const kindWords = extraKinds.map((kind) => [kind, kind.replace('-', ' ')] as const);

/** A number as tables carry it, `441335555012`, gets its `+` back; one written for its own country stays. */
const readPhone = (cell: string) => (/^[1-9]\d{7,14}$/.test(cell) ? `+${cell}` : cell);

/** What an extra is known by beside its campaign: its kind and name. */
export const keyOfExtra = (extra: Pick<Extra, 'kind' | 'text' | 'header' | 'phone' | 'phoneCountry'>) => [
  extra.kind,
  extra.kind === 'call' ? writePhoneNumber(extra.phone, extra.phoneCountry) : nameOfExtra(extra),
];

type TextField = 'text' | 'description1' | 'description2' | 'header' | 'code' | 'setName';

/** A text of an extra under its heading. */
const textColumn = (heading: string, field: TextField, tells?: true): TableColumn<Extra> => ({
  write: (extra) => normalizeText(extra[field]),
  read: (row, { cells }) => ({ [field]: cells.text(row, heading) }),
  ...(tells && { tells }),
});

/** The table of extras, after the name of their campaign. What cannot be read of one is said and left open. */
export const extraColumns: TableColumns<Extra> = {
  extra: {
    write: ({ kind }) => kind.replace('-', ' '),
    read: (row, { cells }) => ({ kind: cells.word(row, 'extra', kindWords, cells.text(row, 'address') === '' ? 'callout' : 'sitelink') }),
    tells: true,
  },
  text: textColumn('text', 'text', true),
  'extra description 1': textColumn('extra description 1', 'description1'),
  'extra description 2': textColumn('extra description 2', 'description2'),
  address: {
    write: ({ address }) => (address === '' ? '' : writeAddress(address)),
    read: (row, { cells }) => ({ address: cells.text(row, 'address') }),
  },
  header: textColumn('header', 'header', true),
  values: {
    write: ({ values }) => writeList(values),
    read: (row, { cells }) => ({ values: readList(cells.text(row, 'values')) }),
  },
  'price rows': {
    write: ({ prices }, { view, layout }) => writePriceRows(prices, layout, view.account.currency),
    read: (row, { view, layout, cells }) => ({ prices: readPriceRows(cells.text(row, 'price rows'), layout, view.account.currency) }),
  },
  phone: {
    write: ({ phone, phoneCountry }) => writePhoneNumber(phone, phoneCountry),
    read: (row, { cells }) => ({ phone: readPhone(cells.text(row, 'phone')) }),
    tells: true,
  },
  country: {
    write: ({ phoneCountry }) => phoneCountry,
    read: (row, { cells }) => ({ phoneCountry: cells.text(row, 'phone') === '' ? '' : cells.text(row, 'country').toUpperCase() }),
  },
  'open hours': {
    write: ({ hours }) => writeHours(hours),
    read: (row, { cells }) => ({ hours: cells.hours(row, 'open hours') ?? [] }),
  },
  start: { write: ({ startsOn }) => startsOn, read: (row, { cells }) => ({ startsOn: cells.date(row, 'start') }) },
  end: { write: ({ endsOn }) => endsOn, read: (row, { cells }) => ({ endsOn: cells.date(row, 'end') }) },
  'offer code': textColumn('offer code', 'code'),
  'least order': {
    write: ({ leastMinor }, { money }) => money(leastMinor),
    read: (row, { cells }) => ({ leastMinor: cells.amount(row, 'least order') }),
  },
  'shared set': textColumn('shared set', 'setName'),
};
