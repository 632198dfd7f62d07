/** A trade's keywords, each under the label of its theme, as cut by hand. */
export interface LabelledTrade {
  file: string;
  name: string;
  language: string;
  offer: string;
  /** Every keyword with the place of its label among `labels`; doubles under one label only. */
  keywords: { text: string; label: number }[];
  labels: string[];
  /** Pairs of labels that must never share their main group. */
  apart: [number, number][];
}

interface TradeFile {
  name: string;
  language: string;
  offer: string;
  themes: Record<string, string[]>;
  apart: [string, string][];
}

function readTrade(file: string, { name, language, offer, themes, apart }: TradeFile): LabelledTrade {
  const labels = Object.keys(themes);
  return {
    file,
    name,
    language,
    offer,
    labels,
    keywords: labels.flatMap((label, at) => themes[label]!.map((text) => ({ text, label: at }))),
    apart: apart.map(([one, other]) => [labels.indexOf(one), labels.indexOf(other)]),
  };
}

const files = import.meta.glob<TradeFile>('./trades/*.json', { eager: true, import: 'default' });

/** All labelled trades; those that begin with “own” were written before anything was run on them, and stand last. */
export const labelledTrades: LabelledTrade[] = Object.entries(files)
  .map(([path, file]) => readTrade(path.replace(/^.*\/(.*)\.json$/, '$1'), file))
  .sort((a, b) => Number(a.file.startsWith('own-')) - Number(b.file.startsWith('own-')) || (a.file < b.file ? -1 : 1));

/** The group that holds most of each label's keywords; −1 where none holds any. */
export function mainGroups({ labels, keywords }: LabelledTrade, groupOf: readonly number[]): number[] {
  return labels.map((_, label) => {
    const counts = new Map<number, number>();
    keywords.forEach((keyword, at) => {
      const group = groupOf[at]!;
      if (keyword.label === label && group >= 0) counts.set(group, (counts.get(group) ?? 0) + 1);
    });
    return [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0]?.[0] ?? -1;
  });
}
