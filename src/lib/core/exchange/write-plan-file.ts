import { childrenOf, inOrder, type Snapshot } from '../store/snapshot';
import type { BriefItemKind } from '../records/brief-item';
import type { Group } from '../records/group';
import type { Negative } from '../records/negative';
import { extrasOf, wholePlan, type ExtraOwner } from '../view/extras-shown';
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
    private readonly snapshot: Snapshot,
    private readonly planId: string,
  ) {
    this.findIndex = new Map(inOrder(snapshot.find).map(({ id }, index) => [id, index]));
    this.wordVerdictIndex = new Map(inOrder(snapshot.wordVerdict).map(({ id }, index) => [id, index]));
    const notOffered = this.texts('not-offered');
    this.notOfferedIndex = new Map(this.items('not-offered').map(({ id, text }) => [id, notOffered.indexOf(text)]));
  }

  write(): PlanFile {
    const { snapshot } = this;
    const plan = snapshot.plan.get(this.planId);
    const account = plan && snapshot.account.get(plan.accountId);
    const client = account && snapshot.client.get(account.clientId);
    const brief = snapshot.brief.get(this.planId);
    if (!plan || !account || !client || !brief) throw new Error(`The plan ${this.planId} is not in the book.`);
    const campaigns = inOrder(snapshot.campaign).map((campaign, index) => {
      const path = this.note(campaign.id, `campaigns/${index}`);
      return {
        ...without(campaign, 'id', 'position'),
        places: this.places(campaign.id, `${path}/places`),
        negatives: this.negatives(
          childrenOf(snapshot.negative, 'campaignId', campaign.id).filter((row) => row.groupId === null),
          path,
        ),
        extras: this.extras({ campaignId: campaign.id, groupId: null }, path),
        groups: childrenOf(snapshot.group, 'campaignId', campaign.id).map((group, at) => this.group(group, `${path}/groups/${at}`)),
      };
    });
    const file: Omit<PlanFile, 'setAside' | 'scenarios'> = {
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
        offers: this.noted(inOrder(snapshot.offer), 'brief/offers').map((row) => without(row, 'id', 'position')),
        slotWords: this.noted(inOrder(snapshot.slotWord), 'brief/slotWords').map((row) => without(row, 'id', 'position')),
        places: this.places(null),
      },
      campaigns,
      negatives: this.negatives(
        inOrder(snapshot.negative).filter((row) => row.campaignId === null && row.groupId === null),
        '',
      ),
      extras: this.extras(wholePlan, ''),
      wordVerdicts: this.noted(inOrder(snapshot.wordVerdict), 'wordVerdicts').map((row) => without(row, 'id', 'position')),
      wordKinds: this.noted(inOrder(snapshot.wordKind), 'wordKinds').map((row) => without(row, 'id', 'position')),
      rivals: this.noted(inOrder(snapshot.seenCompetitor), 'rivals').map((row) => without(row, 'id', 'position')),
      leads: this.noted(inOrder(snapshot.lead), 'leads').map((row) => without(row, 'id', 'position')),
      looks: this.noted(inOrder(snapshot.look), 'looks').map((row) => without(row, 'id', 'position')),
      sitePages: this.noted(inOrder(snapshot.sitePage), 'sitePages').map((row) => without(row, 'id', 'position')),
      pagesRead: this.noted(inOrder(snapshot.seenPage), 'pagesRead').map((row) => without(row, 'id', 'position')),
      reports: this.noted(inOrder(snapshot.report), 'reports').map((row) => ({
        ...without(row, 'id', 'position'),
        rows: childrenOf(snapshot.reportRow, 'reportId', row.id).map((one) => without(one, 'id', 'position', 'reportId')),
      })),
      finds: this.noted(inOrder(snapshot.find), 'finds').map((row) => ({
        ...without(row, 'id', 'position', 'wordVerdictId'),
        ...this.wordVerdictOf(row),
      })),
    };
    return { ...file, scenarios: this.scenarios(), setAside: this.setAside() };
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
    return childrenOf(this.snapshot.briefItem, 'kind', kind);
  }

  private texts(kind: BriefItemKind): string[] {
    // Rows written before may stand twice; the file holds each once.
    const seen = new Set<string>();
    const once = this.items(kind).filter(({ text }) => !seen.has(text) && seen.add(text));
    return this.noted(once, `brief/${kind}`).map((item) => item.text);
  }

  private places(campaignId: string | null, path = 'brief/places') {
    return this.noted(childrenOf(this.snapshot.place, 'campaignId', campaignId), path).map((place) =>
      without(place, 'id', 'position', 'campaignId'),
    );
  }

  private extras(owner: ExtraOwner, path: string) {
    return this.noted(extrasOf(this.snapshot, owner), `${path}/extras`.replace(/^\//, '')).map((extra) =>
      without(extra, 'id', 'position', 'campaignId', 'groupId'),
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
    const { snapshot } = this;
    this.note(group.id, path);
    const offers = inOrder(snapshot.offer).map(({ id }) => id as string);
    return {
      ...without(group, 'id', 'position', 'campaignId', 'offerId'),
      offer: group.offerId === null ? null : offers.indexOf(group.offerId),
      keywords: this.noted(childrenOf(snapshot.keyword, 'groupId', group.id), `${path}/keywords`).map((row) =>
        without(row, 'id', 'position', 'groupId'),
      ),
      parked: childrenOf(snapshot.parkedKeyword, 'groupId', group.id).map((row) => without(row, 'id', 'position', 'groupId')),
      negatives: this.negatives(childrenOf(snapshot.negative, 'groupId', group.id), path),
      extras: this.extras({ campaignId: null, groupId: group.id }, path),
      ads: this.noted(childrenOf(snapshot.ad, 'groupId', group.id), `${path}/ads`).map((ad, index) => ({
        ...without(ad, 'id', 'position', 'groupId'),
        headlines: this.lines(ad.id, 'headline', `${path}/ads/${index}/headlines`),
        descriptions: this.lines(ad.id, 'description', `${path}/ads/${index}/descriptions`),
      })),
    };
  }

  private lines(adId: string, kind: 'headline' | 'description', path: string) {
    const rows = childrenOf(this.snapshot.adLine, 'adId', adId).filter((line) => line.kind === kind);
    return this.noted(rows, path).map((line) => without(line, 'id', 'position', 'adId', 'kind'));
  }

  /** Places that are gone since stay behind. */
  private scenarios(): PlanFile['scenarios'] {
    return inOrder(this.snapshot.scenario).map((row) => ({
      ...without(row, 'id', 'position'),
      placesOff: row.placesOff.flatMap((id) => this.paths.get(id) ?? []),
    }));
  }

  /** Findings set aside on rows that are gone stay behind. */
  private setAside(): PlanFile['setAside'] {
    return [...this.snapshot.setAside.values()]
      .filter(({ record }) => record === '' || this.paths.has(record))
      .map((row) => ({ ...without(row, 'id'), record: this.paths.get(row.record) ?? '' }))
      .sort((a, b) => (a.rule + a.record < b.rule + b.record ? -1 : 1));
  }
}

/** The plan file of a plan. The snapshot holds the plan's rows and, of the workspace, its client, account and plan row. */
export const writePlanFile = (snapshot: Snapshot, planId: string): PlanFile => new PlanFileWriter(snapshot, planId).write();
