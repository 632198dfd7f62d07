import type { RecordName } from '../records/record-type';
import type { SnapshotRows } from '../store/snapshot';
import type { RecordTypes } from '../records/record-types';
import type { BriefItemKind } from '../records/brief-item';
import type { FileGroup, FileNegative, PlanFile } from './plan-file';

type Owner = { campaignId: string | null; groupId: string | null };

/** Makes rows of a plan file; ids come from the caller, so that nothing here is left to chance. */
class PlanFileReader {
  private readonly rows: { [Name in RecordName]?: RecordTypes[Name][] } = {};
  private readonly ids = new Map<string, string>();

  constructor(
    private readonly file: PlanFile,
    private readonly planId: string,
    private readonly newId: () => string,
  ) {}

  read(): SnapshotRows {
    const { file } = this;
    const { facts, notOffered, rivals: competitors, always, proofs, offers, slotWords, places, ...brief } = file.brief;
    this.add('brief', { id: this.planId, ...brief });
    const items: [BriefItemKind, string[]][] = [
      ['fact', facts],
      ['not-offered', notOffered],
      ['rival', competitors],
      ['always', always],
      ['proof', proofs],
    ];
    for (const [kind, texts] of items) this.each(`brief/${kind}`, texts, (text, at) => this.add('briefItem', { ...at, kind, text }));
    this.each('brief/offers', offers, (offer, at) => this.add('offer', { ...at, ...offer }));
    this.each('brief/slotWords', slotWords, (word, at) => this.add('slotWord', { ...at, ...word }));
    this.each('brief/places', places, (place, at) => this.add('place', { ...at, campaignId: null, ...place }));
    this.each('wordVerdicts', file.wordVerdicts, (row, at) => this.add('wordVerdict', { ...at, ...row }));
    this.each('wordKinds', file.wordKinds, (row, at) => this.add('wordKind', { ...at, ...row }));
    this.each('rivals', file.rivals, (row, at) => this.add('seenCompetitor', { ...at, ...row }));
    this.each('leads', file.leads, (row, at) => this.add('lead', { ...at, ...row }));
    this.each('looks', file.looks, (row, at) => this.add('look', { ...at, ...row }));
    this.each('sitePages', file.sitePages, (row, at) => this.add('sitePage', { ...at, ...row }));
    this.each('pagesRead', file.pagesRead, (row, at) => this.add('seenPage', { ...at, ...row }));
    this.each('reports', file.reports, ({ rows, ...report }, at, path) => {
      this.add('report', { ...at, ...report });
      this.each(`${path}/rows`, rows, (row, spot) => this.add('reportRow', { ...spot, reportId: at.id, ...row }));
    });
    this.each('finds', file.finds, ({ wordVerdict, ...find }, at) =>
      this.add('find', { ...at, ...find, wordVerdictId: this.wordVerdictId(wordVerdict) }),
    );
    this.each('campaigns', file.campaigns, (campaign, at, path) => this.campaign(campaign, at, path));
    this.negatives(file.negatives, '', { campaignId: null, groupId: null });
    this.each('extras', file.extras, (extra, at) => this.add('extra', { ...at, campaignId: null, groupId: null, ...extra }));
    this.each('scenarios', file.scenarios, ({ placesOff, ...row }, at) =>
      this.add('scenario', { ...at, ...row, placesOff: placesOff.flatMap((path) => this.ids.get(path) ?? []) }),
    );
    for (const row of file.setAside) {
      const record = row.record === '' ? '' : this.ids.get(row.record);
      if (record !== undefined) this.add('setAside', { ...row, id: this.newId(), record });
    }
    return this.rows;
  }

  private add<Name extends RecordName>(record: Name, row: RecordTypes[Name]): void {
    const rows = (this.rows[record] ??= [] as never) as RecordTypes[Name][];
    rows.push(row);
  }

  private each<T>(path: string, items: readonly T[], make: (item: T, at: { id: string; position: number }, path: string) => void): void {
    items.forEach((item, position) => {
      const id = this.newId();
      const own = `${path}/${position}`.replace(/^\//, '');
      this.ids.set(own, id);
      make(item, { id, position }, own);
    });
  }

  private campaign(campaign: PlanFile['campaigns'][number], at: { id: string; position: number }, path: string): void {
    const { places, negatives, extras, groups, ...own } = campaign;
    this.add('campaign', { ...at, ...own });
    this.each(`${path}/places`, places, (place, spot) => this.add('place', { ...spot, campaignId: at.id, ...place }));
    this.each(`${path}/extras`, extras, (extra, spot) => this.add('extra', { ...spot, campaignId: at.id, groupId: null, ...extra }));
    this.negatives(negatives, path, { campaignId: at.id, groupId: null });
    this.each(`${path}/groups`, groups, (group, spot, own) => this.group(group, { ...spot, campaignId: at.id }, own));
  }

  private group(group: FileGroup, at: { id: string; position: number; campaignId: string }, path: string): void {
    const { offer, keywords, parked, negatives, extras, ads, ...own } = group;
    this.add('group', {
      ...at,
      ...own,
      offerId: offer === null ? null : (this.ids.get(`brief/offers/${offer}`) ?? null),
    });
    this.each(`${path}/keywords`, keywords, (keyword, spot) => this.add('keyword', { ...spot, groupId: at.id, ...keyword }));
    this.each(`${path}/parked`, parked, (keyword, spot) => this.add('parkedKeyword', { ...spot, groupId: at.id, ...keyword }));
    this.negatives(negatives, path, { campaignId: null, groupId: at.id });
    this.each(`${path}/extras`, extras, (extra, spot) => this.add('extra', { ...spot, campaignId: null, groupId: at.id, ...extra }));
    this.each(`${path}/ads`, ads, ({ headlines, descriptions, ...ad }, spot, adPath) => {
      this.add('ad', { ...spot, groupId: at.id, ...ad });
      this.each(`${adPath}/headlines`, headlines, (line, place) =>
        this.add('adLine', { ...place, adId: spot.id, kind: 'headline', ...line }),
      );
      this.each(`${adPath}/descriptions`, descriptions, (line, place) =>
        this.add('adLine', { ...place, adId: spot.id, kind: 'description', ...line }),
      );
    });
  }

  private wordVerdictId(index: number | undefined): string | null {
    return index === undefined ? null : (this.ids.get(`wordVerdicts/${index}`) ?? null);
  }

  private negatives(negatives: readonly FileNegative[], path: string, owner: Owner): void {
    this.each(`${path}/negatives`, negatives, ({ text, match, find, notOffered, wordVerdict }, at) =>
      this.add('negative', {
        ...at,
        ...owner,
        text,
        match,
        findId: find === undefined ? null : (this.ids.get(`finds/${find}`) ?? null),
        briefItemId: notOffered === undefined ? null : (this.ids.get(`brief/not-offered/${notOffered}`) ?? null),
        wordVerdictId: this.wordVerdictId(wordVerdict),
      }),
    );
  }
}

/** The rows of a plan file, checked before by its schema, under a plan's id. */
export const readPlanFile = (file: PlanFile, planId: string, newId: () => string): SnapshotRows =>
  new PlanFileReader(file, planId, newId).read();
