import { formatMoney } from '$lib/core/money/money';
import type { FindingData } from '$lib/core/proof/finding';
import { quote, wordDate } from './texts';

/** Title, detail and the words on the mend. */
export type Words = [title: string, detail: string, mend?: string];
/** Makes the words of one rule's findings. */
export type Writer = (data: FindingReader) => Words;

/** Reads a finding's data for words. */
export class FindingReader {
  constructor(
    private readonly data: FindingData,
    private readonly currency: string,
  ) {}

  /** A text or number, as text. */
  text(key: string): string {
    return String(this.data[key] ?? '');
  }

  number(key: string): number {
    return Number(this.data[key] ?? 0);
  }

  items(key: string): readonly string[] {
    const value = this.data[key];
    return Array.isArray(value) ? (value as string[]) : [];
  }

  /** A list, quoted and shortened. */
  list(key: string, most = 4): string {
    const items = this.items(key);
    const rest = items.length - most;
    return items.slice(0, most).map(quote).join(', ') + (rest > 0 ? ` and ${rest} more` : '');
  }

  flag(key: string): boolean {
    return this.data[key] === true;
  }

  money(key: string): string {
    return formatMoney(this.number(key), this.currency);
  }

  date(key: string): string {
    return wordDate(this.text(key));
  }

  /** “headline 2”. */
  line(): string {
    return `${this.text('kind')} ${this.text('number')}`;
  }

  plain(): FindingData {
    return this.data;
  }
}
