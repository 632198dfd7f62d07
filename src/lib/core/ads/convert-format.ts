import type { Ad } from '../records/ad';
import type { AdLine, LineKindOfAd } from '../records/ad-line';
import type { FormatName } from '../records/format-names';
import type { AdFormat, RuleSet } from '../rules/rule-set';
import type { SimpleChange } from '../store/changes';
import { units } from '../text/text-length';

/** A line of an ad with the longest that is read of it, in units. */
export interface LineWithLength {
  line: AdLine;
  longest: number;
}

/** What becomes of a line in another format. */
export interface ConvertedLine {
  line: AdLine;
  /** The kind it stands as there; null: it finds no room. */
  kind: LineKindOfAd | null;
  fixedAt: number | null;
  /** Too long for the format, where it stands all the same. */
  isOver: boolean;
}

/** An ad in another format, and what is lost on the way. */
export interface ConvertedAd {
  to: FormatName;
  lines: ConvertedLine[];
  path1: string;
  path2: string;
  /** Parts of the shown address that find no room. */
  lostPaths: string[];
  /** Lines that the format asks for and that have to be written. */
  missing: Record<LineKindOfAd, number>;
}

const filled = ({ line }: LineWithLength) => line.text.trim() !== '';

/** The lines of a kind in the order in which they are read: fixed ones where they are fixed, the others between them. */
function inReadingOrder(lines: readonly LineWithLength[]): LineWithLength[] {
  const free = lines.filter(({ line }) => line.fixedAt === null);
  const fixed = lines.filter(({ line }) => line.fixedAt !== null).sort((a, b) => (a.line.fixedAt ?? 0) - (b.line.fixedAt ?? 0));
  const read: LineWithLength[] = [];
  while (fixed.length + free.length > 0) {
    const isNext = fixed.length > 0 && (free.length === 0 || (fixed[0]!.line.fixedAt ?? 0) <= read.length + 1);
    read.push((isNext ? fixed.shift() : free.shift())!);
  }
  return read;
}

/** Lines of one kind that find room: those that fit first, in their order. */
function chooseLines(lines: readonly LineWithLength[], { most, limit }: AdFormat['headlines']): ReadonlySet<AdLine> {
  const fitting = lines.filter(({ longest }) => longest <= limit);
  const others = lines.filter(({ longest }) => longest > limit);
  return new Set([...fitting, ...others].slice(0, most).map(({ line }) => line));
}

function convertPaths({ path1, path2 }: Pick<Ad, 'path1' | 'path2'>, from: FormatName, { paths }: AdFormat) {
  const parts = (from === 'classic' ? path1.split('/') : [path1, path2]).filter((part) => part.trim() !== '');
  const joined = paths.most === 1 && parts.length > 1 ? [parts.join('/')] : parts;
  const isLong = (part: string) => !part.includes('[[') && units(part) > paths.limit;
  const kept = joined.filter((part) => !isLong(part)).slice(0, paths.most);
  return { path1: kept[0] ?? '', path2: kept[1] ?? '', lostPaths: joined.filter((part) => !kept.includes(part)) };
}

/**
 * An ad in another format, line by line. Into the responsive format lines keep the position they were read at; out of it those that are read first
 * stand, as far as they fit; what finds no room is named.
 */
export function convertAd(
  ad: Pick<Ad, 'format' | 'path1' | 'path2'>,
  lines: readonly LineWithLength[],
  to: FormatName,
  rules: Pick<RuleSet, 'formats'>,
): ConvertedAd {
  const format = rules.formats[to];
  const isInto = to === 'responsive';
  const kept = lines.filter(filled);
  const ofKind = (kind: LineKindOfAd) => inReadingOrder(kept.filter(({ line }) => line.kind === kind));
  const ruleOf = { headline: format.headlines, description: format.descriptions };
  const missing = { headline: 0, description: 0 };
  const positions = { headline: 3, description: 2 };
  const converted = (['headline', 'description'] as const).flatMap((kind): ConvertedLine[] => {
    const read = ofKind(kind);
    const chosen = chooseLines(read, ruleOf[kind]);
    missing[kind] = Math.max(0, ruleOf[kind].least - chosen.size);
    let at = 0;
    return read.map(({ line, longest }) => {
      if (!chosen.has(line)) return { line, kind: null, fixedAt: null, isOver: false };
      at++;
      const fixedAt = isInto ? (ad.format === 'responsive' ? line.fixedAt : at <= positions[kind] ? at : null) : null;
      return { line, kind, fixedAt, isOver: longest > ruleOf[kind].limit };
    });
  });
  return { to, lines: converted, ...convertPaths(ad, ad.format, format), missing };
}

/** The changes that make an ad what it becomes in another format; lines that find no room are taken out. */
export function applyFormat(adId: string, { to, lines, path1, path2 }: ConvertedAd): SimpleChange[] {
  const lost = lines.filter(({ kind }) => kind === null).map(({ line }) => line.id as string);
  const moved = lines.filter(({ line, kind, fixedAt }) => kind !== null && line.fixedAt !== fixedAt);
  return [
    { type: 'set', record: 'ad', ids: [adId], fields: { format: to, path1, path2 } },
    ...(lost.length > 0 ? [{ type: 'remove' as const, record: 'adLine' as const, ids: lost }] : []),
    ...(moved.length > 0
      ? [
          {
            type: 'set-each' as const,
            record: 'adLine' as const,
            rows: moved.map(({ line, fixedAt }) => ({ id: line.id as string, fixedAt })),
          },
        ]
      : []),
  ];
}
