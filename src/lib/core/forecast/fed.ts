import { firstLanguage, worthOf } from '../view/plan-view';
import { wantOf, type Want } from '../verdicts/want-of';
import type { PlanCampaign, PlanKeyword, PlanModel } from './plan-model';

/** A keyword by what it is worth, with the factors of that. */
export interface StrongKeyword {
  id: string;
  text: string;
  campaignId: string;
  groupId: string;
  /** Clicks a month that are asked for, in the middle run, and what they cost in minor units. */
  clicksAsked: number;
  costAskedMinor: number;
  want: Want;
  wantFactor: number;
  /** What a click may cost against what it does: 1 where it is affordable. */
  affordable: number;
  worth: number;
  /** Whether the money feeds it. */
  isFed: boolean;
}

/** What the money feeds. */
export interface Fed {
  /** All keywords with figures, the strongest first. */
  ranked: readonly StrongKeyword[];
  /** How many of them the money feeds; keywords that the house rule's clicks are not asked for are none of them. */
  fed: number;
  /** Whether all that is asked for costs less than the money: then money is no limit. */
  isMoneyEnough: boolean;
  /** Keywords of the plan, those without figures too. */
  keywords: number;
}

/**
 * Keywords by what they are worth: clicks asked × what their want is worth × what a click may cost against what it does. Fed are, in this order and
 * campaign by campaign, those that the house's clicks a keyword are asked for, until what they ask costs the campaign's money.
 */
export function feedKeywords(plan: PlanModel): Fed {
  const { view, model } = plan;
  const perClick = worthOf(view)?.perClickMinor ?? null;
  const ranked: (Omit<StrongKeyword, 'isFed'> & { campaign: PlanCampaign })[] = [];
  let [keywords, costAsked, money] = [0, 0, 0];
  for (const campaign of plan.campaigns) {
    const estimate = plan.campaignAt(campaign);
    const language = firstLanguage(view, campaign.row ?? undefined);
    money += campaign.moneyMinor;
    costAsked += estimate.total.costAskedMinor[1];
    campaign.groups.forEach((group, at) =>
      group.keywords.forEach((keyword: PlanKeyword, index) => {
        keywords++;
        const sums = estimate.keyword(at, index);
        if (!sums) return;
        const [clicksAsked, costAskedMinor] = [sums.clicksAsked[1], sums.costAskedMinor[1]];
        const want = wantOf(keyword.text, language);
        const affordable = perClick === null || clicksAsked === 0 ? 1 : Math.min(1, (perClick * clicksAsked) / costAskedMinor);
        const worth = clicksAsked * model.wants[want] * affordable;
        const { id, text } = keyword;
        ranked.push({
          id,
          text,
          campaignId: campaign.id,
          groupId: group.id,
          clicksAsked,
          costAskedMinor,
          want,
          wantFactor: model.wants[want],
          affordable,
          worth,
          campaign,
        });
      }),
    );
  }
  ranked.sort((a, b) => b.worth - a.worth || (a.text < b.text ? -1 : 1));
  // Once what is asked passes a campaign's money, nothing further of it is fed.
  const spent = new Map<PlanCampaign, number>();
  const all = ranked.map(({ campaign, ...one }): StrongKeyword => {
    if (one.clicksAsked < view.house.clicksPerKeyword) return { ...one, isFed: false };
    const sum = (spent.get(campaign) ?? 0) + one.costAskedMinor;
    spent.set(campaign, sum);
    return { ...one, isFed: sum <= campaign.moneyMinor };
  });
  return { ranked: all, fed: all.filter(({ isFed }) => isFed).length, isMoneyEnough: costAsked <= money, keywords };
}
