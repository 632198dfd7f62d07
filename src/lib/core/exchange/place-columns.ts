import type { Place } from '../records/place';
import type { TableColumns } from './table-columns';

const kindWords = [['city'], ['country'], ['region'], ['postal']] as const;
const uses = { in: 'included', out: 'excluded' } as const;

/** The table of places, after the name of their campaign; a place is told by its country, code and name. */
export const placeColumns: TableColumns<Place> = {
  place: { write: ({ name }) => name, tells: true },
  country: {
    write: ({ country }) => country,
    read: (row, { cells }) => ({ country: cells.text(row, 'country').toUpperCase() }),
    tells: true,
  },
  'place kind': {
    write: ({ kind }) => kind,
    read: (row, { cells }) => ({ kind: cells.word(row, 'place kind', kindWords, 'city') }),
    tells: true,
  },
  region: { write: ({ region }) => region, read: (row, { cells }) => ({ region: cells.text(row, 'region').slice(0, 200) }), tells: true },
  'region code': {
    write: ({ code }) => code,
    read: (row, { cells }) => ({ code: cells.text(row, 'region code').slice(0, 40) }),
    tells: true,
  },
  'radius km': {
    write: ({ radiusKm }, { number }) => number(radiusKm),
    read: (row, { cells }) => ({ radiusKm: cells.number(row, 'radius km') }),
  },
  use: {
    write: ({ excluded }) => (excluded ? uses.out : uses.in),
    read: (row, { cells }) => ({ excluded: cells.word(row, 'use', [[uses.in], [uses.out]], uses.in) === uses.out }),
  },
  latitude: {
    write: ({ latitude }, { number }) => number(latitude),
    read: (row, { cells }) => ({ latitude: cells.number(row, 'latitude') }),
  },
  longitude: {
    write: ({ longitude }, { number }) => number(longitude),
    read: (row, { cells }) => ({ longitude: cells.number(row, 'longitude') }),
  },
};
