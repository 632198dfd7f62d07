import { wordsOf } from '$lib/core/keywords/words';
import data from './trades.json';

type Language = 'en' | 'nb';
interface Trade {
  words?: string[];
  perMillion: number;
  pounds: number;
  /** For each search made there, how many are made about it from elsewhere. */
  fromAfar?: number;
  season?: number[];
  kinds: Record<Language, string[]>;
  adds: Record<Language, string[]>;
}
interface Intent {
  add: string;
  searches: number;
  bid: number;
  first?: boolean;
}

const languageOf = (languages: readonly string[]): Language => (/^(nb|nn|no|da|sv)\b/.test(languages[0] ?? 'en') ? 'nb' : 'en');
const join = (...parts: string[]) => parts.filter((part) => part !== '').join(' ');

/** What people search around a term, by trade and intent, and how much of it. */
export class PracticeTerms {
  private readonly trades: readonly Trade[] = data.trades;
  private readonly intents: Readonly<Record<Language, readonly Intent[]>> = data.intents;

  private tradeOf(text: string): Trade {
    const words = new Set(wordsOf(text.toLowerCase()));
    const score = (trade: Trade) => (trade.words ?? []).filter((word) => words.has(word)).length;
    const best = [...this.trades].sort((a, b) => score(b) - score(a))[0];
    return best && score(best) > 0 ? best : data.any;
  }

  /** The term, its kinds, what is added to it, and each with the intents; each once. */
  around(term: string, languages: readonly string[]): string[] {
    const language = languageOf(languages);
    const trade = this.tradeOf(term);
    const plain = term.trim().toLowerCase().replace(/\s+/g, ' ');
    const kinds = trade.kinds[language].filter((kind) => !plain.includes(kind));
    const adds = trade.adds[language].filter((add) => !plain.includes(add));
    const cores = [plain, ...adds.map((add) => join(plain, add)), ...kinds.map((kind) => join(kind, adds[0] ?? '')), ...kinds];
    const intended = [plain, ...cores.slice(1, 7)].flatMap((core) =>
      this.intents[language].map(({ add, first }) => (first ? join(add, core) : join(core, add))),
    );
    return [...new Set([...cores, ...intended])].filter((text) => wordsOf(text).length <= 10 && text !== '');
  }

  /** What a text's figures follow from. */
  factsOf(text: string) {
    const { perMillion, pounds, season, fromAfar = 0.2 } = this.tradeOf(text);
    const padded = ` ${text} `;
    const intents = [...this.intents.en, ...this.intents.nb].filter(({ add }) => padded.includes(` ${add} `));
    const product = (key: 'searches' | 'bid') => intents.reduce((all, intent) => all * intent[key], 1);
    return { perMillion, pounds, fromAfar, season: season ?? null, searchesFactor: product('searches'), bidFactor: product('bid') };
  }
}
