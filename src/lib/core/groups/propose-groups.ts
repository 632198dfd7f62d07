import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { holdsPhrase } from '../rules/word-lists';

/** A group proposed from kept finds, with the reason. */
export interface ProposedGroup<T> {
  /** The group's theme words: the find with the fewest words. */
  theme: string;
  /** The words that its finds share, as written most often; empty for the rest. */
  shared: string;
  /** `shared`: all hold the theme's words; `rest`: what no theme holds; `own-name`: all hold the client's own name. */
  reason: 'shared' | 'rest' | 'own-name';
  finds: T[];
}

interface Candidate {
  key: string;
  /** Positions in the list of finds. */
  members: Set<number>;
}

/** Words that stand in more than this share of the finds name the trade, not a theme. */
const commonShare = 0.6;
const leastMembers = 2;

/** Every word and every pair of neighbouring words that is not common, by stems, with the finds that hold it. */
function candidatesOf(stemLists: readonly string[][]): Candidate[] {
  const byKey = new Map<string, Set<number>>();
  stemLists.forEach((stems, index) => {
    stems.forEach((stem, at) => {
      const next = stems[at + 1];
      for (const key of next === undefined ? [stem] : [stem, `${stem} ${next}`]) {
        const members = byKey.get(key) ?? new Set();
        byKey.set(key, members.add(index));
      }
    });
  });
  return [...byKey].map(([key, members]) => ({ key, members }));
}

/** The rarer a theme's words and the more finds left hold it, the better it divides them. */
function scoreOf(candidate: Candidate, left: ReadonlySet<number>, total: number): number {
  let held = 0;
  for (const member of candidate.members) if (left.has(member)) held++;
  if (held < leastMembers) return 0;
  const rarity = Math.log((total + 1) / candidate.members.size);
  const words = candidate.key.split(' ').length;
  return held * rarity * (words === 2 ? 1.15 : 1);
}

/** The theme as written most often in its finds. */
function writtenTheme(key: string, texts: readonly string[], stem: (word: string) => string): string {
  const stems = key.split(' ');
  const counts = new Map<string, number>();
  for (const text of texts) {
    const words = wordsOf(text);
    const start = words.findIndex((_, at) =>
      stems.every((one, offset) => words[at + offset] !== undefined && stem(words[at + offset]!) === one),
    );
    if (start < 0) continue;
    const written = words.slice(start, start + stems.length).join(' ');
    counts.set(written, (counts.get(written) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0]?.[0] ?? key;
}

/** The find of the fewest words, the first of several. */
const shortestOf = (finds: readonly { text: string }[]) =>
  finds.reduce((best, { text }) => (wordsOf(text).length < wordsOf(best).length ? text : best), finds[0]?.text ?? '');

/** Groups of finds, those that hold one of the client's own names in a group of their own, before all others. */
export function proposeGroupsOfPlan<T extends { text: string }>(
  finds: readonly T[],
  { language, ownNames }: { language: string; ownNames: readonly string[] },
): ProposedGroup<T>[] {
  const own = finds.filter(({ text }) => ownNames.some((name) => holdsPhrase(text, name)));
  const others = own.length === 0 ? finds : finds.filter((find) => !own.includes(find));
  const theme = ownNames.find((name) => own.some(({ text }) => holdsPhrase(text, name)))?.toLowerCase() ?? '';
  const ofName: ProposedGroup<T>[] = own.length === 0 ? [] : [{ theme, shared: theme, reason: 'own-name', finds: own }];
  return [...ofName, ...proposeGroups(others, language)];
}

/**
 * Proposes groups from the words that finds share: greedily the theme that divides best, until none holds two finds.
 */
export function proposeGroups<T extends { text: string }>(finds: readonly T[], language: string): ProposedGroup<T>[] {
  const { stem, isStopWord } = languageWords(language);
  const stemLists = finds.map(({ text }) =>
    wordsOf(text)
      .filter((word) => !isStopWord(word))
      .map(stem),
  );
  const total = finds.length;
  const common = new Set(
    candidatesOf(stemLists)
      .filter(({ members }) => total >= 4 && members.size > total * commonShare)
      .map(({ key }) => key),
  );
  const candidates = candidatesOf(stemLists.map((stems) => stems.filter((one) => !common.has(one))));
  const left = new Set(finds.keys());
  const proposals: ProposedGroup<T>[] = [];
  for (;;) {
    let best: Candidate | null = null;
    let bestScore = 0;
    for (const candidate of candidates) {
      const score = scoreOf(candidate, left, total);
      if (score > bestScore) [best, bestScore] = [candidate, score];
    }
    if (!best) break;
    const members = [...best.members].filter((index) => left.has(index));
    for (const index of members) left.delete(index);
    const held = members.map((index) => finds[index]!);
    const shared = writtenTheme(
      best.key,
      held.map(({ text }) => text),
      stem,
    );
    proposals.push({ theme: shortestOf(held), shared, reason: 'shared', finds: held });
  }
  const rest = [...left].map((index) => finds[index]!);
  if (rest.length > 0) proposals.push({ theme: shortestOf(rest), shared: '', reason: 'rest', finds: rest });
  return proposals;
}
