import { campaignPages, isLastNet, pageDomain, pageGroups } from '../pages/campaign-pages';
import { asPaths } from '../pages/site-pages';
import { conditionKey, foldRows, type RowCondition } from '../pages/unfold-rule';
import type { Campaign, PagesOff } from '../records/campaign';
import { writeCondition } from '../records/condition-text';
import type { Group } from '../records/group';
import type { RecordTypes } from '../records/record-types';
import { groupBid } from '../view/plan-view';
import { setFields } from './changed-rows';
import type { ExistingRows } from './existing-rows';
import { writeMoney } from './layout-cells';
import { pageRuleRows, readPageRuleRow, rowsLeftOut } from './page-columns';
import type { PlanAdditions } from './plan-additions';
import type { FieldRow } from './read-rows';
import type { CellReading } from './table-columns';

/** What rows of rules are read by. */
interface RulesReading extends CellReading {
  additions: PlanAdditions;
  existing: ExistingRows;
}

type Rows = (readonly RowCondition[])[];

/** The rows of one group, or those of a campaign that no group has. */
interface OwnerRows {
  aims: Rows;
  off: Rows;
  /** Those that aim and say a bid. */
  bids: FieldRow[];
  /** A row of theirs cannot be read: without it the rest would say something else. */
  isBroken: boolean;
}

/** Rows by campaign and group, by name; the campaign's own under the empty name. */
type ByOwner = Map<string, Map<string, OwnerRows>>;

/** What became of the rows of an owner. */
type RuleOutcome = 'added' | 'changed' | 'existing' | 'left-out';

const keyOf = (row: readonly RowCondition[]) => row.map(conditionKey).join();
const keysOf = (rows: Rows) => new Set(rows.map(keyOf));
const areSame = (one: Rows, other: Rows) => {
  const [keys, others] = [keysOf(one), keysOf(other)];
  return keys.size === others.size && [...keys].every((key) => others.has(key));
};

/** The rows of an owner, empty where it has none yet. */
function rowsOf(of: ByOwner, campaign: string, group: string): OwnerRows {
  const groups = of.get(campaign) ?? new Map<string, OwnerRows>();
  of.set(campaign, groups);
  const rows = groups.get(group) ?? { aims: [], off: [], bids: [], isBroken: false };
  groups.set(group, rows);
  return rows;
}

/** A rule in words, addresses of its domain as paths: what the rows that aim say together, less those that leave out. */
function ruleOf(aims: Rows, off: Rows, domain: string): string {
  const isAll = aims.some((row) => row.length === 0);
  const aimed = isAll ? { all: [] } : foldRows(aims);
  const less = { not: foldRows(off) };
  return writeCondition(asPaths(off.length === 0 ? aimed : isAll ? less : { all: [aimed, less] }, domain));
}

/** Rows that a campaign leaves out as a reason, named by its own words. */
function reasonOf(rows: Rows, domain: string): PagesOff[] {
  if (rows.length === 0) return [];
  const when = ruleOf(rows, [], domain);
  return [{ name: when.slice(0, 200), when }];
}

/**
 * Rows of rules over pages that tables bring. A rule is all rows of its group together, and what other groups aim at is left out of it by its
 * order, so rows are gathered before one is read. Where the same tables say a new group's rule in words, the words count.
 */
export class ComingPageRules {
  private readonly coming: ByOwner = new Map();
  private readonly standing: ByOwner = new Map();
  private readonly outcomes = new Map<string, RuleOutcome>();

  constructor(
    rows: readonly FieldRow[],
    private readonly by: RulesReading,
  ) {
    const { cells, view, layout } = by;
    for (const row of rows) {
      if (row.kind !== 'page-rules') continue;
      const owner = rowsOf(this.coming, cells.text(row, 'campaign'), cells.text(row, 'group'));
      const read = readPageRuleRow(row, by);
      owner.isBroken ||= read === null;
      if (!read) continue;
      (read.use === 'aim' ? owner.aims : owner.off).push(read.conditions);
      if (read.use === 'aim' && cells.text(row, 'bid') !== '') owner.bids.push(row);
    }
    if (this.coming.size === 0) return;
    for (const { campaign, group, use, conditions } of pageRuleRows(view, layout)) {
      const owner = rowsOf(this.standing, campaign.name, group?.name ?? '');
      (use === 'aim' ? owner.aims : owner.off).push(conditions);
    }
  }

  /** What becomes of a row whose campaign and group stand by now: the rule of its owner is set where that is new, and offered where it stands otherwise. */
  read(row: FieldRow, campaignId: string, groupId: string | null): RuleOutcome {
    const owner = groupId ?? campaignId;
    const known = this.outcomes.get(owner);
    if (known) return known;
    const [campaign, group] = [this.by.cells.text(row, 'campaign'), this.by.cells.text(row, 'group')];
    const rows = rowsOf(this.coming, campaign, group);
    const domain = this.domainOf(campaignId);
    const outcome = rows.isBroken
      ? 'left-out'
      : groupId === null
        ? this.readCampaign(row, campaignId, rows, domain)
        : this.readGroup(row, groupId, rows, domain);
    this.outcomes.set(owner, outcome);
    return outcome;
  }

  private domainOf(campaignId: string): string {
    const campaign = this.by.additions.rowOf('campaign', campaignId);
    return campaign ? pageDomain(this.by.view, campaign) : '';
  }

  /** What a group leaves out of its own accord: rows that no other group of its campaign aims at, as it comes or as it stands. */
  private ownOff(campaign: string, own: string, off: Rows): Rows {
    const groups = [this.coming, this.standing].flatMap((rows) => [...(rows.get(campaign) ?? [])]);
    const others = new Set(groups.flatMap(([group, { aims }]) => (group === own ? [] : aims.map(keyOf))));
    return off.filter((one) => !others.has(keyOf(one)));
  }

  private readGroup(row: FieldRow, groupId: string, { aims, off, bids }: OwnerRows, domain: string): RuleOutcome {
    const { additions, view, cells } = this.by;
    if (aims.length === 0) {
      cells.say(row, 'rule use', 'unfit', 'No row of the group aims at pages.', true);
      return 'left-out';
    }
    const ownOff = this.ownOff(cells.text(row, 'campaign'), cells.text(row, 'group'), off);
    const when = ruleOf(aims, ownOff, domain);
    const group = view.snapshot.group.get(groupId);
    if (group) return this.holdGroup(row, group, { aims, ownOff, when, bids });
    const bidMinor = bids[0] ? cells.amount(bids[0], 'bid') : null;
    const added = additions.rowOf('group', groupId)!;
    const fields = {
      ...(added.pagesWhen === '' ? { pagesWhen: when } : {}),
      ...(bidMinor === additions.bidOfGroup(groupId) ? {} : { defaultBidMinor: added.defaultBidMinor ?? bidMinor }),
    };
    return this.amend(row, 'group', groupId, fields);
  }

  /** Holds what comes against a group that stands: its rule, and its bid. */
  private holdGroup(
    row: FieldRow,
    group: Group,
    { aims, ownOff, when, bids }: Pick<OwnerRows, 'aims' | 'bids'> & { ownOff: Rows; when: string },
  ): RuleOutcome {
    const { existing, view, cells, layout } = this.by;
    const { id, name, pagesWhen } = group;
    const campaign = cells.text(row, 'campaign');
    const standing = rowsOf(this.standing, campaign, name);
    const areRowsSame = areSame(aims, standing.aims) && areSame(ownOff, this.ownOff(campaign, name, standing.off));
    const isSame = areRowsSame || (isLastNet(pagesWhen) && isLastNet(when));
    const rule = isSame ? null : setFields('group', group, { pagesWhen: when });
    const outcomes = [existing.offer(row, id, { name, field: 'page rule', before: pagesWhen, after: when, change: rule })];
    const before = groupBid(view, group);
    const bid = bids.map((one) => [one, cells.amount(one, 'bid')] as const).find(([, minor]) => minor !== null && minor !== before);
    if (bid) {
      const [at, defaultBidMinor] = bid;
      const change = setFields('group', group, { defaultBidMinor });
      const said = {
        name,
        field: 'bid',
        before: writeMoney(layout, before, view.account.currency),
        after: cells.text(at, 'bid'),
      };
      outcomes.push(existing.offer(at, id, { ...said, change }));
    }
    return outcomes.includes('changed') ? 'changed' : 'existing';
  }

  private readCampaign(row: FieldRow, campaignId: string, { off }: OwnerRows, domain: string): RuleOutcome {
    const { additions, existing, view } = this.by;
    const campaign = view.snapshot.campaign.get(campaignId);
    if (!campaign) {
      const isInWords = additions.rowOf('campaign', campaignId)!.pagesOff.length > 0;
      return isInWords ? 'existing' : this.amend(row, 'campaign', campaignId, { pagesOff: reasonOf(off, domain) });
    }
    const pagesOff = this.comingOff(campaign, off, domain);
    const change = setFields('campaign', campaign, { pagesOff });
    const say = (all: readonly PagesOff[]) => all.map(({ when }) => when).join('; ');
    const said = { name: campaign.name, field: 'pages left out', before: say(campaign.pagesOff), after: say(pagesOff) };
    return existing.offer(row, campaignId, { ...said, change });
  }

  /** What a campaign that stands leaves out by the rows that come: reasons with all their rows stay as they are, the others keep what is left. */
  private comingOff(campaign: Campaign, off: Rows, domain: string): PagesOff[] {
    const { view, layout } = this.by;
    const coming = keysOf(off);
    const reasons = pageGroups(view, campaign).length === 0 ? [] : rowsLeftOut(campaignPages(view, campaign), layout);
    const kept = reasons.flatMap(({ name, when, rows }): PagesOff[] => {
      const left = rows.filter((one) => coming.has(keyOf(one)));
      if (left.length === rows.length) return [{ name, when }];
      return left.length === 0 ? [] : [{ name, when: ruleOf(left, [], domain) }];
    });
    const known = keysOf(reasons.flatMap(({ rows }) => rows));
    return [
      ...kept,
      ...reasonOf(
        off.filter((one) => !known.has(keyOf(one))),
        domain,
      ),
    ];
  }

  /** Sets what a row that this reading added does not say yet. */
  private amend<Name extends 'group' | 'campaign'>(
    row: FieldRow,
    record: Name,
    id: string,
    fields: Partial<RecordTypes[Name]>,
  ): RuleOutcome {
    if (Object.keys(fields).length === 0) return 'existing';
    const wrong = this.by.additions.amend(record, id, fields);
    if (!wrong) return 'added';
    this.by.cells.say(row, 'rule use', 'unfit', wrong.message, true);
    return 'left-out';
  }
}
