import { childrenOf, inOrder, type Book } from '../store/book';
import type { BriefItemKind } from '../records/brief-item';
import type { Group } from '../records/group';
import type { Negative } from '../records/negative';
import { planFileVersion, type FileGroup, type FileNegative, type PlanFile } from './plan-file';

/** Takes out the keys that a file does not carry. */
function without<T extends object, K extends keyof T>(row: T, ...keys: K[]): Omit<T, K> {
  const copy = { ...row };
  for (const key of keys) delete copy[key];
  return copy;
}

/** Writes a plan; on the way it notes the path under which each row stands in the file. */
class PlanFileWriter {
  private readonly paths = new Map<string, string>();
  private readonly findIndex: Map<string, number>;
  private readonly wordVerdictIndex: Map<string, number>;
  private readonly notOfferedIndex: Map<string, number>;

  constructor(
    private readonly book: Book,
    private readonly planId: string,
  ) {
    this.findIndex = new Map(inOrder(book.find).map(({ id }, index) => [id, index]));
    this.wordVerdictIndex = new Map(inOrder(book.wordVerdict).map(({ id }, index) => [id, index]));
    this.notOfferedIndex = new Map(this.items('not-offered').map(({ id }, index) => [id, index]));
  }

  write(): PlanFile {
    const { book } = this;
    const plan = book.plan.get(this.planId);
    const account = plan && book.account.get(plan.accountId);
    const client = account && book.client.get(account.clientId);
    const brief = book.brief.get(this.planId);
    if (!plan || !account || !client || !brief) throw new Error(`The plan ${this.planId} is not in the book.`);
    const campaigns = inOrder(book.campaign).map((campaign, index) => {
      const path = this.note(campaign.id, `campaigns/${index}`);
      return {
        ...without(campaign, 'id', 'position'),
        places: this.places(campaign.id),
        negatives: this.negatives(
          childrenOf(book.negative, 'campaignId', campaign.id).filter((row) => row.groupId === null),
          path,
        ),
        extras: this.extras(campaign.id, path),
        groups: childrenOf(book.group, 'campaignId', campaign.id).map((group, at) => this.group(group, `${path}/groups/${at}`)),
      };
    });
    const file: Omit<PlanFile, 'setAside'> = {
      format: 'biblion-plan',
      version: planFileVersion,
      name: plan.name,
      client: without(client, 'id', 'position'),
      account: without(account, 'id', 'position', 'clientId'),
      brief: {
        ...without(brief, 'id'),
        facts: this.texts('fact'),
        notOffered: this.texts('not-offered'),
        rivals: this.texts('rival'),
        always: this.texts('always'),
        proofs: this.texts('proof'),
        offers: this.noted(inOrder(book.offer), 'brief/offers').map((row) => without(row, 'id', 'position')),
        slotWords: this.noted(inOrder(book.slotWord), 'brief/slotWords').map((row) => without(row, 'id', 'position')),
        places: this.places(null),
      },
      campaigns,
      negatives: this.negatives(
        inOrder(book.negative).filter((row) => row.campaignId === null && row.groupId === null),
        '',
      ),
      extras: this.extras(null, ''),
      wordVerdicts: this.noted(inOrder(book.wordVerdict), 'wordVerdicts').map((row) => without(row, 'id', 'position')),
      wordKinds: this.noted(inOrder(book.wordKind), 'wordKinds').map((row) => without(row, 'id', 'position')),
      rivals: this.noted(inOrder(book.seenRival), 'rivals').map((row) => without(row, 'id', 'position')),
      reports: this.noted(inOrder(book.report), 'reports').map((row) => ({
        ...without(row, 'id', 'position'),
        rows: childrenOf(book.reportRow, 'reportId', row.id).map((one) => without(one, 'id', 'position', 'reportId')),
      })),
      finds: this.noted(inOrder(book.find), 'finds').map((row) => ({
        ...without(row, 'id', 'position', 'wordVerdictId'),
        ...this.wordVerdictOf(row),
      })),
    };
    return { ...file, setAside: this.setAside() };
  }

  private note(id: string, path: string): string {
    this.paths.set(id, path);
    return path;
  }

  private noted<T extends { id: string }>(rows: readonly T[], path: string): readonly T[] {
    rows.forEach((row, index) => this.note(row.id, `${path}/${index}`));
    return rows;
  }

  private items(kind: BriefItemKind) {
    return childrenOf(this.book.briefItem, 'kind', kind);
  }

  private texts(kind: BriefItemKind): string[] {
    return this.noted(this.items(kind), `brief/${kind}`).map((item) => item.text);
  }

  private places(campaignId: string | null) {
    return childrenOf(this.book.place, 'campaignId', campaignId).map((place) => without(place, 'id', 'position', 'campaignId'));
  }

  private extras(campaignId: string | null, path: string) {
    return this.noted(childrenOf(this.book.extra, 'campaignId', campaignId), `${path}/extras`.replace(/^\//, '')).map((extra) =>
      without(extra, 'id', 'position', 'campaignId'),
    );
  }

  private negatives(rows: readonly Negative[], path: string): FileNegative[] {
    return this.noted(rows, `${path}/negatives`.replace(/^\//, '')).map(({ text, match, findId, briefItemId, wordVerdictId }) => {
      const find = findId === null ? undefined : this.findIndex.get(findId);
      const notOffered = briefItemId === null ? undefined : this.notOfferedIndex.get(briefItemId);
      return {
        text,
        match,
        ...(find !== undefined && { find }),
        ...(notOffered !== undefined && { notOffered }),
        ...this.wordVerdictOf({ wordVerdictId }),
      };
    });
  }

  /** The judged word that made or settled a row, by its place in the list. */
  private wordVerdictOf({ wordVerdictId }: { wordVerdictId: string | null }): { wordVerdict?: number } {
    const wordVerdict = wordVerdictId === null ? undefined : this.wordVerdictIndex.get(wordVerdictId);
    return wordVerdict === undefined ? {} : { wordVerdict };
  }

  private group(group: Group, path: string): FileGroup {
    const { book } = this;
    this.note(group.id, path);
    const offers = inOrder(book.offer).map(({ id }) => id as string);
    return {
      ...without(group, 'id', 'position', 'campaignId', 'offerId'),
      offer: group.offerId === null ? null : offers.indexOf(group.offerId),
      keywords: this.noted(childrenOf(book.keyword, 'groupId', group.id), `${path}/keywords`).map((row) =>
        without(row, 'id', 'position', 'groupId'),
      ),
      negatives: this.negatives(childrenOf(book.negative, 'groupId', group.id), path),
      ads: this.noted(childrenOf(book.ad, 'groupId', group.id), `${path}/ads`).map((ad, index) => ({
        ...without(ad, 'id', 'position', 'groupId'),
        headlines: this.lines(ad.id, 'headline', `${path}/ads/${index}/headlines`),
        descriptions: this.lines(ad.id, 'description', `${path}/ads/${index}/descriptions`),
      })),
    };
  }

  private lines(adId: string, kind: 'headline' | 'description', path: string) {
    const rows = childrenOf(this.book.adLine, 'adId', adId).filter((line) => line.kind === kind);
    return this.noted(rows, path).map((line) => without(line, 'id', 'position', 'adId', 'kind'));
  }

  /** Findings set aside on rows that are gone stay behind. */
  private setAside(): PlanFile['setAside'] {
    return [...this.book.setAside.values()]
      .filter(({ record }) => record === '' || this.paths.has(record))
      .map((row) => ({ ...without(row, 'id'), record: this.paths.get(row.record) ?? '' }))
      .sort((a, b) => (a.rule + a.record < b.rule + b.record ? -1 : 1));
  }
}

/** The plan file of a plan. The book holds the plan's rows and, of the workspace, its client, account and plan row. */
export const writePlanFile = (book: Book, planId: string): PlanFile => new PlanFileWriter(book, planId).write();
