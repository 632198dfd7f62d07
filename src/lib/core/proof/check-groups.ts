import { isPageDriven } from '../pages/campaign-pages';
import { biddingKindFacts } from '../forecast/bidding-kinds';
import { childrenOf, inOrder } from '../store/snapshot';
import { bidOf, campaignsMeeting, groupBid, groupsInOrder, worthOf, type PlanView } from '../view/plan-view';
import type { Campaign } from '../records/campaign';
import type { Group } from '../records/group';
import type { Keyword } from '../records/keyword';
import { holdsPhrase } from '../rules/word-lists';
import { readAddress } from '../text/address';
import { units } from '../text/text-length';
import { checkKeywordLanguage } from './check-languages';
import { negativeUnits } from './check-negatives';
import { checkOwnNames } from './check-own-names';
import type { Report } from './finding';
import { constantsOf, type Units } from './proof-unit';

const at = (group: Group, field: string) => ({
  where: { campaignId: group.campaignId, groupId: group.id, field },
});

function checkSize({ house, snapshot }: PlanView, group: Group, keywords: readonly Keyword[]): Report[] {
  const { least, most } = house.keywordsPerGroup;
  const report = { record: group.id, ...at(group, 'keywords') };
  if (isPageDriven(group, snapshot.campaign.get(group.campaignId))) return [];
  if (keywords.length === 0) return [{ rule: 'groups.no-keywords', ...report, data: { group: group.name } }];
  if (keywords.length > most)
    return [{ rule: 'groups.many-keywords', ...report, data: { group: group.name, count: keywords.length, most } }];
  return keywords.length < least
    ? [{ rule: 'groups.few-keywords', ...report, data: { group: group.name, count: keywords.length, least } }]
    : [];
}

function checkKeywords(view: PlanView, group: Group, keywords: readonly Keyword[]): Report[] {
  const { unitsLimit, wordsLimit } = view.rules.keyword;
  const perClick = worthOf(view)?.perClickMinor ?? null;
  const campaign = view.snapshot.campaign.get(group.campaignId);
  const reports: Report[] = [];
  for (const keyword of keywords) {
    const words = keyword.text.split(' ').length;
    const length = units(keyword.text);
    const report = { record: keyword.id, ...at(group, 'text') };
    if (length > unitsLimit || words > wordsLimit)
      reports.push({
        rule: 'groups.keyword-long',
        ...report,
        data: { keyword: keyword.text, units: length, words, unitsLimit, wordsLimit },
      });
    const page = keyword.landingPage.trim();
    if (page !== '' && (!readAddress(page) || page.length > view.rules.addressLimit))
      reports.push({
        rule: 'groups.page-unread',
        record: keyword.id,
        ...at(group, 'landingPage'),
        data: { keyword: keyword.text, address: page },
      });
    const bid = bidOf(view, keyword);
    if (perClick !== null && keyword.bidMinor !== null && bid !== null && bid > perClick)
      reports.push({
        rule: 'groups.too-dear',
        record: keyword.id,
        ...at(group, 'bidMinor'),
        data: { keyword: keyword.text, bidMinor: bid, perClickMinor: perClick },
        mend: {
          kind: 'offer',
          change: { type: 'set', record: 'keyword', ids: [keyword.id], fields: { bidMinor: perClick } },
          data: { perClickMinor: perClick },
        },
      });
  }
  const ownNamed = view.house.ownNameApart
    ? keywords.filter(({ text }) => view.brief.ownNames.some((name) => holdsPhrase(text, name)))
    : [];
  if (ownNamed.length > 0 && ownNamed.length < keywords.length)
    reports.push({
      rule: 'groups.own-name-mixed',
      record: group.id,
      ...at(group, 'keywords'),
      data: { group: group.name, keywords: ownNamed.map(({ text }) => text), others: keywords.length - ownNamed.length },
    });
  const broad = keywords.filter(({ match }) => match === 'broad');
  if (broad.length > 0 && (campaign?.bidding === 'by-hand' || !view.brief.countsConversions))
    reports.push({
      rule: 'groups.broad-by-hand',
      record: group.id,
      ...at(group, 'match'),
      data: { group: group.name, count: broad.length, counted: view.brief.countsConversions },
      mend: {
        kind: 'offer',
        change: {
          type: 'set',
          record: 'keyword',
          ids: broad.map(({ id }) => id),
          fields: { match: 'phrase' },
        },
        data: { count: broad.length },
      },
    });
  return reports;
}

function checkGroup(view: PlanView, group: Group): Report[] {
  const keywords = childrenOf(view.snapshot.keyword, 'groupId', group.id);
  const reports = [...checkSize(view, group, keywords), ...checkKeywords(view, group, keywords)];
  if (units(group.name) > view.rules.nameLimit)
    reports.push({
      rule: 'groups.name-long',
      record: group.id,
      ...at(group, 'name'),
      data: { group: group.name, units: units(group.name), limit: view.rules.nameLimit },
    });
  const campaign = view.snapshot.campaign.get(group.campaignId);
  // Where bids are ignored, none is missed.
  const heedsBids = campaign !== undefined && !biddingKindFacts[campaign.bidding].ignores.includes('bids');
  if (heedsBids && groupBid(view, group) === null)
    reports.push({
      rule: 'groups.no-bid',
      record: group.id,
      ...at(group, 'defaultBidMinor'),
      data: { group: group.name },
    });
  return reports;
}

/** The same plain text twice in a campaign, but for other match types within one group. */
function checkTwice(view: PlanView, campaign: Campaign): Report[] {
  const reports: Report[] = [];
  const owners = new Map<string, Group>();
  for (const group of childrenOf(view.snapshot.group, 'campaignId', campaign.id))
    for (const keyword of childrenOf(view.snapshot.keyword, 'groupId', group.id)) {
      const owner = owners.get(keyword.text);
      if (!owner) owners.set(keyword.text, group);
      else if (owner.id !== group.id)
        reports.push({
          rule: 'groups.keyword-twice',
          record: keyword.id,
          ...at(group, 'text'),
          data: { keyword: keyword.text, group: group.name, other: owner.name },
          mend: {
            kind: 'offer',
            change: { type: 'remove', record: 'keyword', ids: [keyword.id] },
            data: { group: group.name },
          },
        });
    }
  return reports;
}

/** Keywords that stand in two campaigns which can meet one searcher, one report a pair of campaigns. */
function checkCampaignPairs(view: PlanView): Report[] {
  const textsOf = new Map(
    inOrder(view.snapshot.campaign).map(({ id }) => [
      id as string,
      new Set(
        childrenOf(view.snapshot.group, 'campaignId', id).flatMap((group) =>
          childrenOf(view.snapshot.keyword, 'groupId', group.id).map(({ text }) => text),
        ),
      ),
    ]),
  );
  return inOrder(view.snapshot.campaign).flatMap((campaign) =>
    campaignsMeeting(view, campaign)
      .filter((other) => other.position > campaign.position)
      .flatMap((other): Report[] => {
        const shared = [...(textsOf.get(campaign.id) ?? [])].filter((text) => textsOf.get(other.id)?.has(text));
        if (shared.length === 0) return [];
        const data = {
          count: shared.length,
          keywords: shared.slice(0, 5),
          campaign: campaign.name,
          other: other.name,
        };
        return [
          {
            rule: 'groups.keyword-in-two-campaigns',
            record: campaign.id,
            where: { campaignId: campaign.id, field: other.id },
            data,
          },
        ];
      }),
  );
}

/** Groups, keywords and negatives. */
export const groupUnits: Units = (view) => {
  const { snapshot } = view;
  const groups = groupsInOrder(view);
  const keywordsOf = (group: Group) => childrenOf(snapshot.keyword, 'groupId', group.id);
  return [
    ...groups.map((group) => ({
      key: `group ${group.id}`,
      deps: [...constantsOf(view), group, snapshot.campaign.get(group.campaignId), keywordsOf(group)],
      read: () => checkGroup(view, group),
    })),
    ...inOrder(snapshot.campaign).map((campaign) => {
      const own = childrenOf(snapshot.group, 'campaignId', campaign.id);
      return { key: `twice in ${campaign.id}`, deps: [own, ...own.map(keywordsOf)], read: () => checkTwice(view, campaign) };
    }),
    ...groups.map((group) => ({
      key: `language of ${group.id}`,
      deps: [group, snapshot.campaign.get(group.campaignId), keywordsOf(group)],
      read: () => checkKeywordLanguage(view, group),
    })),
    {
      key: 'own names',
      deps: [
        view.brief,
        view.rules,
        view.house,
        snapshot.campaign,
        snapshot.group,
        ...(view.brief.ownNames.length > 0 ? [snapshot.keyword, snapshot.negative] : []),
      ],
      read: () => checkOwnNames(view),
    },
    {
      key: 'campaign pairs',
      deps: [snapshot.campaign, snapshot.place, snapshot.group, snapshot.keyword],
      read: () => checkCampaignPairs(view),
    },
    ...negativeUnits(view),
  ];
};
