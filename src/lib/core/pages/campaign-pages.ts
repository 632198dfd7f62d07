import { minorDigits } from '../money/money';
import type { Campaign, PagesOff } from '../records/campaign';
import { conditionOf } from '../records/condition-text';
import type { Group } from '../records/group';
import type { PageCondition } from '../records/page-condition';
import type { SitePage } from '../records/site-page';
import { childrenOf, inOrder, type Snapshot } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import { PageTexts, sortPages, type SortedPages } from './page-rules';
import { hostOf, onDomain, rulePages } from './site-pages';

/** Whether a group is driven by pages: its campaign is, or it has a rule of its own. */
export const isPageDriven = (group: Group, campaign: Campaign | undefined): boolean =>
  campaign?.drivenBy === 'pages' || group.pagesWhen !== '';

/** The domain whose pages drive a campaign. */
export const pageDomain = ({ client }: Pick<PlanView, 'client'>, { pageDomain: own }: Pick<Campaign, 'pageDomain'>): string =>
  hostOf(own || client.site);

/** What takes everything that is left, and what takes nothing for now: the last net, switched on and off. */
export const everything = 'everything';
export const nothingYet = 'nothing';
/** Whether a rule is the last net, switched on or off. */
export const isLastNet = (when: string): boolean => when === everything || when === nothingYet;

/** A rule over pages as it stands, in words. */
export interface RuleInWords {
  id: string;
  name: string;
  /** Empty, or not to be read: it takes nothing. */
  when: string;
}

/** What leaves first, and how many pages each reason takes: the first that holds. */
export interface ReasonOff extends PagesOff {
  pages: number[];
}

/** Where every page of a domain goes. */
export interface PagesSorted extends SortedPages {
  /** Rules in their order; `catches` and the like are by index of `pages`. */
  ids: readonly string[];
  off: ReasonOff[];
  /** Of each rule the pages that no other takes; the last net counts as none, since it would take all of them. */
  alone: number[][];
  /** Of each rule the pages that it would take and that left before. */
  hitsOff: number[][];
  /** Of each page the rule it goes to, `left out` with the reason's index below 0 (-2 - index), or -1: nobody's. */
  goesTo: Int32Array;
}

const nothing: PageCondition = { any: [] };

/** The pages of one domain, prepared once for all that is asked of them. */
export class DomainPages {
  readonly texts: PageTexts;
  private readonly resolved = new Map<string, PageCondition>();
  private byId: ReadonlyMap<string, number> | null = null;

  constructor(
    /** Those of the domain that stand on the site still. */
    readonly pages: readonly SitePage[],
    readonly domain: string,
    digits: number,
  ) {
    this.texts = new PageTexts(rulePages(pages, digits));
  }

  /** A rule's condition on this domain; nothing where its words say none. */
  condition(when: string): PageCondition {
    let condition = this.resolved.get(when);
    if (!condition) {
      const read = conditionOf(when);
      condition = read ? this.onDomain(read) : nothing;
      if (this.resolved.size > mostResolved) this.resolved.clear();
      this.resolved.set(when, condition);
    }
    return condition;
  }

  /** The index of a page by its id; -1 where it is none of them. */
  indexOf(id: string): number {
    this.byId ??= new Map(this.pages.map((page, index) => [page.id, index]));
    return this.byId.get(id) ?? -1;
  }

  /** A condition whose paths are those of this domain. */
  onDomain(condition: PageCondition): PageCondition {
    return onDomain(condition, this.domain);
  }

  /** The pages that a condition in words holds of, by index. */
  matching(when: string): number[] {
    const found: number[] = [];
    this.texts.matching(this.condition(when)).forEach((holds, page) => void (holds && found.push(page)));
    return found;
  }

  sort(rules: readonly RuleInWords[], pagesOff: readonly PagesOff[]): PagesSorted {
    const conditions = pagesOff.map(({ when }) => this.condition(when));
    const sorted = sortPages(
      this.texts,
      rules.map(({ name, when }) => ({ name, when: this.condition(when) })),
      { any: conditions },
    );
    const goesTo = new Int32Array(this.pages.length).fill(-1);
    sorted.rules.forEach(({ catches }, rule) => catches.forEach((page) => (goesTo[page] = rule)));
    const off = pagesOff.map((one) => ({ ...one, pages: [] as number[] }));
    for (const page of sorted.excluded) {
      const reason = conditions.findIndex((condition) => this.texts.matching(condition)[page] === 1);
      goesTo[page] = -2 - reason;
      off[reason]!.pages.push(page);
    }
    const hitsOff = rules.map(({ when }) => {
      const matches = this.texts.matching(this.condition(when));
      return sorted.excluded.filter((page) => matches[page] === 1);
    });
    const held = new Uint16Array(this.pages.length);
    const asked = rules.map(({ when }) => ({ matches: this.texts.matching(this.condition(when)), isNet: isLastNet(when) }));
    for (const { matches, isNet } of asked) if (!isNet) for (let page = 0; page < held.length; page++) held[page]! += matches[page]!;
    const alone = sorted.rules.map(({ catches }, rule) => catches.filter((page) => held[page] === (asked[rule]!.isNet ? 0 : 1)));
    return { ...sorted, alone, ids: rules.map(({ id }) => id), off, hitsOff, goesTo };
  }
}

const mostResolved = 2000;

const keptPages = new WeakMap<Snapshot['sitePage'], Map<string, DomainPages>>();

/** The pages of a domain that stand on the site still, in their order. */
export const pagesOfDomain = ({ sitePage }: Pick<Snapshot, 'sitePage'>, domain: string): SitePage[] =>
  inOrder(sitePage).filter(({ address, change }) => change !== 'gone' && hostOf(address) === domain);

/** The pages of a domain that a plan knows, prepared once for the same rows. */
export function domainPages({ snapshot, account }: Pick<PlanView, 'snapshot' | 'account'>, domain: string): DomainPages {
  let byDomain = keptPages.get(snapshot.sitePage);
  if (!byDomain) keptPages.set(snapshot.sitePage, (byDomain = new Map<string, DomainPages>()));
  const digits = minorDigits(account.currency);
  const key = `${digits} ${domain}`;
  let known = byDomain.get(key);
  if (!known) {
    byDomain.set(key, (known = new DomainPages(pagesOfDomain(snapshot, domain), domain, digits)));
  }
  return known;
}

/** The groups of a campaign that are driven by pages, in the order in which their rules are read. */
export const pageGroups = ({ snapshot }: Pick<PlanView, 'snapshot'>, campaign: Campaign): Group[] =>
  childrenOf(snapshot.group, 'campaignId', campaign.id).filter((group) => isPageDriven(group, campaign));

/** The rules of groups in words, in the groups' order. */
export const rulesOf = (groups: readonly Group[]): RuleInWords[] =>
  groups.map(({ id, name, pagesWhen }) => ({ id, name, when: pagesWhen }));

/** A campaign's pages and where each goes. */
export interface CampaignPages {
  domain: DomainPages;
  groups: readonly Group[];
  sorted: PagesSorted;
}

const keptSorted = new WeakMap<Campaign, { groups: Snapshot['group']; domain: DomainPages; found: CampaignPages }>();

/** Where the pages of a campaign go; worked out once for the same rows. */
export function campaignPages(view: PlanView, campaign: Campaign): CampaignPages {
  const domain = domainPages(view, pageDomain(view, campaign));
  const known = keptSorted.get(campaign);
  if (known?.groups === view.snapshot.group && known.domain === domain) return known.found;
  const groups = pageGroups(view, campaign);
  const found = { domain, groups, sorted: domain.sort(rulesOf(groups), campaign.pagesOff) };
  keptSorted.set(campaign, { groups: view.snapshot.group, domain, found });
  return found;
}

/** The pages that go to a group, as they are known. */
export function pagesOfGroup(view: PlanView, group: Group): readonly SitePage[] {
  const campaign = view.snapshot.campaign.get(group.campaignId);
  if (!campaign) return [];
  const { domain, sorted } = campaignPages(view, campaign);
  const at = sorted.ids.indexOf(group.id);
  return at < 0 ? [] : sorted.rules[at]!.catches.map((page) => domain.pages[page]!);
}
