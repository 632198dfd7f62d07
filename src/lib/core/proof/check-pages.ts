import { campaignPages, everything, isLastNet, pageGroups, type CampaignPages } from '../pages/campaign-pages';
import { keepPagesApart, overlapsOf } from '../pages/page-overlaps';
import { findPrice } from '../pages/propose-facts';
import { labelColumns } from '../pages/read-feed';
import { answerOf, columnOf } from '../pages/site-pages';
import { parseAmount } from '../money/money';
import { holdsPhrase } from '../rules/word-lists';
import type { Campaign } from '../records/campaign';
import type { Group } from '../records/group';
import type { SitePage } from '../records/site-page';
import { childrenOf, inOrder, nextPosition } from '../store/snapshot';
import { countsEnquiries, groupBid, worthOf, type PlanView } from '../view/plan-view';
import type { Report } from './finding';
import type { Units } from './proof-unit';

const ofGroup = (group: Group, field: string) => ({
  record: group.id,
  where: { campaignId: group.campaignId, groupId: group.id, field },
});

function checkRules({ groups, sorted, domain }: CampaignPages): Report[] {
  return groups.flatMap((group, at): Report[] => {
    const { catches, shares } = sorted.rules[at]!;
    const report = ofGroup(group, 'pagesWhen');
    if (isLastNet(group.pagesWhen) || catches.length > 0 || domain.pages.length === 0) return [];
    const taken = shares.reduce((sum, { pages }) => sum + pages.length, 0);
    if (taken === 0) return [{ rule: 'groups.rule-catches-nothing', ...report, data: { group: group.name } }];
    return [{ rule: 'groups.rule-shadowed', ...report, data: { group: group.name, count: taken, by: shares.map(({ name }) => name) } }];
  });
}

function checkCampaign(campaign: Campaign, { groups, sorted, domain }: CampaignPages): Report[] {
  const report = { record: campaign.id, where: { campaignId: campaign.id, field: 'pages' } };
  const reports: Report[] = [];
  if (sorted.nobody.length > 0)
    reports.push({
      rule: 'groups.pages-of-nobody',
      ...report,
      data: { campaign: campaign.name, count: sorted.nobody.length, all: domain.pages.length },
    });
  if (campaign.pagesOff.length === 0 && groups.some(({ pagesWhen }) => pagesWhen === everything))
    reports.push({ rule: 'groups.all-pages', ...report, data: { campaign: campaign.name, all: domain.pages.length } });
  return reports;
}

const answersNot = (page: SitePage) => ['no', 'elsewhere'].includes(answerOf(page));

/** Words that stand in labels of some of a group's pages, not of all: a description must not promise them. */
function partly(pages: readonly SitePage[]): { column: string; value: string; count: number }[] {
  return labelColumns(pages).flatMap(({ name, values }) =>
    [...values].flatMap(([value]) => {
      const count = pages.filter((page) => columnOf(page, name).includes(value)).length;
      return value.length > 2 && count < pages.length ? [{ column: name, value, count }] : [];
    }),
  );
}

const pricesOf = (pages: readonly SitePage[]): number[] => pages.flatMap(({ priceMinor }) => priceMinor ?? []);

function checkDescriptions({ snapshot, account }: PlanView, group: Group, pages: readonly SitePage[]): Report[] {
  const prices = pricesOf(pages);
  const cheapest = prices.length > 0 ? prices.reduce((least, one) => Math.min(least, one)) : null;
  const labels = partly(pages);
  return childrenOf(snapshot.ad, 'groupId', group.id).flatMap((ad) =>
    childrenOf(snapshot.adLine, 'adId', ad.id).flatMap(({ kind, text, id }): Report[] => {
      if (kind !== 'description') return [];
      const written = findPrice(text);
      const minor = written === null ? null : parseAmount(written, account.currency);
      const said = { record: id, where: { campaignId: group.campaignId, groupId: group.id, adId: ad.id, field: 'text' } };
      const promised = labels.find(({ value }) => holdsPhrase(text, value));
      return [
        ...(minor !== null && cheapest !== null && minor !== cheapest && !prices.includes(minor)
          ? [{ rule: 'ads.price-of-no-page' as const, ...said, data: { group: group.name, text, minor, cheapestMinor: cheapest } }]
          : minor !== null && cheapest !== null && cheapest < minor
            ? [
                {
                  rule: 'ads.page-is-cheaper' as const,
                  ...said,
                  data: { group: group.name, text, minor, cheapestMinor: cheapest, count: prices.filter((one) => one < minor).length },
                },
              ]
            : []),
        ...(promised
          ? [{ rule: 'ads.promise-of-some-pages' as const, ...said, data: { group: group.name, text, ...promised, all: pages.length } }]
          : []),
      ];
    }),
  );
}

/**
 * Whether a group's dearest page, sold once, pays a click at the group's bid: an order worth its price instead of the brief's is reckoned as the
 * brief's is (rules §5). Only of shops that count orders, and where half of a group's pages tell a price.
 */
function checkWorth(view: PlanView, group: Group, pages: readonly SitePage[]): Report[] {
  const bidMinor = groupBid(view, group);
  const prices = pricesOf(pages);
  if (countsEnquiries(view.brief.goal) || bidMinor === null || prices.length === 0 || prices.length * 2 < pages.length) return [];
  const dearestMinor = prices.reduce((most, one) => Math.max(most, one));
  const worth = worthOf({ ...view, brief: { ...view.brief, valueMinor: dearestMinor } });
  if (!worth || worth.perClickMinor >= bidMinor) return [];
  const { perClickMinor } = worth;
  return [
    {
      rule: 'groups.pages-cannot-pay',
      ...ofGroup(group, 'defaultBidMinor'),
      data: { group: group.name, count: pages.length, dearestMinor, perClickMinor, bidMinor },
      ...(perClickMinor > 0 && {
        mend: {
          kind: 'offer',
          change: { type: 'set', record: 'group', ids: [group.id], fields: { defaultBidMinor: perClickMinor } },
          data: { perClickMinor },
        },
      }),
    },
  ];
}

function checkGroups(view: PlanView, { groups, sorted, domain }: CampaignPages): Report[] {
  return groups.flatMap((group, at) => {
    const pages = sorted.rules[at]!.catches.map((page) => domain.pages[page]!);
    const silent = pages.filter(answersNot);
    return [
      ...(silent.length > 0
        ? [
            {
              rule: 'groups.pages-not-answering' as const,
              ...ofGroup(group, 'pages'),
              data: { group: group.name, count: silent.length, pages: silent.slice(0, 3).map(({ address }) => address) },
            },
          ]
        : []),
      ...checkDescriptions(view, group, pages),
      ...checkWorth(view, group, pages),
    ];
  });
}

function checkOverlaps(view: PlanView, campaign: Campaign): Report[] {
  const { domain, groups, sorted } = campaignPages(view, campaign);
  return groups.flatMap((group, at): Report[] => {
    const overlaps = overlapsOf(view, campaign, { group, pages: domain.pages, catches: sorted.rules[at]!.catches });
    const keywords = overlaps.flatMap((one) => one.keywords);
    if (keywords.length === 0) return [];
    let next = nextPosition(view.snapshot.negative.values());
    const change = keepPagesApart(view, group, keywords, () => `${group.id}-apart-${next++}`);
    return [
      {
        rule: 'groups.page-answers-too',
        ...ofGroup(group, 'answers'),
        data: {
          group: group.name,
          others: overlaps.map(({ other }) => other.name).slice(0, 5),
          groups: overlaps.length,
          count: keywords.length,
          keywords: keywords.slice(0, 5).map(({ text }) => text),
        },
        mend: { kind: 'offer', change, data: {} },
      },
    ];
  });
}

/** Campaigns with groups that are driven by pages, each read as a whole. */
export const pageUnits: Units = (view) => {
  const { snapshot } = view;
  return inOrder(snapshot.campaign).flatMap((campaign) => {
    const groups = pageGroups(view, campaign);
    if (groups.length === 0) return [];
    const ads = groups.flatMap(({ id }) => childrenOf(snapshot.ad, 'groupId', id));
    return [
      {
        key: `pages of ${campaign.id}`,
        deps: [
          campaign,
          view.client,
          view.account,
          view.brief,
          view.house,
          snapshot.sitePage,
          ...groups,
          ...ads,
          ...ads.map(({ id }) => childrenOf(snapshot.adLine, 'adId', id)),
        ],
        read: () => {
          const found = campaignPages(view, campaign);
          return [...checkRules(found), ...checkCampaign(campaign, found), ...checkGroups(view, found)];
        },
      },
      {
        key: `pages beside keywords in ${campaign.id}`,
        deps: [
          campaign,
          view.client,
          view.brief,
          snapshot.sitePage,
          snapshot.campaign,
          snapshot.place,
          snapshot.group,
          snapshot.keyword,
          snapshot.negative,
        ],
        read: () => checkOverlaps(view, campaign),
      },
    ];
  });
};
