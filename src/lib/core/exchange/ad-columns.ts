import { adDifferences, testMeasures, type Ad } from '../records/ad';
import type { AdLine } from '../records/ad-line';
import { formatNames } from '../records/format-names';
import { mostLines } from '../records/table-fields';
import { writeAddress } from '../text/address';
import { landingPageOf } from '../view/plan-view';
import { readLineCell } from './layout-cells';
import type { TableColumns } from './table-columns';

const differenceWords = (['', ...adDifferences] as const).map((difference) => [difference] as const);
const measureWords = testMeasures.map((measure) => [measure] as const);
const formatWords = formatNames.map((format) => [format] as const);

/** The table of ads, after the names of their campaign and group and before their lines. A page that is the group's is not the ad's. */
export const adColumns: TableColumns<Ad> = {
  ad: { write: ({ name }) => name, tells: true },
  format: {
    write: ({ format }) => format,
    read: (row, { cells }) => ({ format: cells.word(row, 'format', formatWords, 'responsive') }),
  },
  master: { write: ({ masterName }) => masterName, read: (row, { cells }) => ({ masterName: cells.text(row, 'master') }) },
  'path 1': { write: (ad, { adText }) => adText(ad, 'path', ad.path1), read: (row, { cells }) => ({ path1: cells.text(row, 'path 1') }) },
  'path 2': { write: (ad, { adText }) => adText(ad, 'path', ad.path2), read: (row, { cells }) => ({ path2: cells.text(row, 'path 2') }) },
  'landing page': {
    write: (ad, { view }) => writeAddress(landingPageOf(view, ad)),
    read: (row, { cells, ofGroup }) => {
      const page = cells.text(row, 'landing page');
      return { landingPage: page === ofGroup?.page ? '' : page };
    },
  },
  'counting address': {
    write: ({ countingAddress }) => writeAddress(countingAddress),
    read: (row, { cells }) => ({ countingAddress: cells.text(row, 'counting address') }),
  },
  'differs in': {
    write: ({ differsIn }) => differsIn,
    read: (row, { cells }) => ({ differsIn: cells.word(row, 'differs in', differenceWords, '') }),
  },
  'judged by': {
    write: ({ differsIn, testMeasure }) => (differsIn === '' ? '' : testMeasure),
    read: (row, { cells }) => ({ testMeasure: cells.word(row, 'judged by', measureWords, 'clicks') }),
  },
  'judged on': { write: ({ testEndsOn }) => testEndsOn, read: (row, { cells }) => ({ testEndsOn: cells.date(row, 'judged on') }) },
};

export type LineKind = keyof typeof mostLines;

/** A line of an ad with the ad that it stands in. */
interface LineOfAd extends AdLine {
  ad: Ad;
}

/** The two cells of one line: its text, and where it is fixed. */
function describeLine(kind: LineKind, number: number): TableColumns<LineOfAd> {
  const [text, fixedAt] = [`${kind} ${number}`, `${kind} ${number} fixed at`];
  return {
    [text]: {
      write: (line, { adText }) => adText(line.ad, kind, line.text),
      read: (row, { layout, cells }) => ({ text: readLineCell(layout, cells.text(row, text)) }),
    },
    [fixedAt]: { write: (line) => line.fixedAt, read: (row, { cells }) => ({ fixedAt: cells.number(row, fixedAt) }) },
  };
}

/** The lines that a table of ads has room for, in order, each with its kind, its place among those of its kind (from 0), and its cells. */
export const lineColumns = (['headline', 'description'] as const).flatMap((kind) =>
  Array.from({ length: mostLines[kind] }, (_, index) => ({ kind, index, columns: describeLine(kind, index + 1) })),
);
