import { composeName } from '../view/campaign-name';
import { gridOf, spansOf } from '../view/hours';
import type { HourSpan } from '../records/hour-span';
import type { NamingPattern } from '../records/house-rule';
import type { PlanFile } from '../exchange/plan-file';
import { campaignAmounts, planFileAmounts } from '../exchange/plan-file-amounts';
import { convertAmounts, type CurrencyConversion } from '../money/convert-amounts';
import { noFigures } from '../finds/find-figures';
import { bidsThere, type BidFactors } from './bids-there';
import { withTexts, type FileCampaign } from './text-changes';

type FilePlace = FileCampaign['places'][number];

/** Where a campaign is taken, and what changes with it. */
export interface CopyTarget extends CurrencyConversion {
  places: FilePlace[];
  /** The word for the place in names. */
  placeWord: string;
  /** Null: the languages stay. */
  languages: string[] | null;
  /** By how many hours the week is moved, so that the hours stay the same where the place is. */
  shiftHours: number;
  /** Texts as decided, by their path. */
  texts: ReadonlyMap<string, string>;
  /** How bids there stand to those here; null: bids are converted like other amounts. */
  bids: BidFactors | null;
}

/** A week moved by some hours, over midnight and the end of the week. */
export function shiftHours(hours: readonly HourSpan[], by: number): HourSpan[] {
  if (hours.length === 0 || by === 0) return [...hours];
  const grid = gridOf(hours);
  return spansOf(grid.map((_, index) => grid[(index - by + 168 * 2) % 168] ?? null)) ?? [];
}

/** A campaign taken to another place: places, words, name, language, hours and amounts. */
export function copyCampaign(campaign: FileCampaign, target: CopyTarget, naming: NamingPattern): FileCampaign {
  const texts = withTexts(campaign, target.texts);
  const moved: FileCampaign = {
    ...texts,
    places: target.places,
    placeWord: target.placeWord,
    placeSaid: '',
    languages: target.languages ?? texts.languages,
    hours: shiftHours(texts.hours, target.shiftHours),
  };
  const converted = convertAmounts({ ...moved, name: composeName(moved, naming), nameIsTyped: false }, campaignAmounts, target);
  return target.bids === null ? converted : { ...converted, ...bidsThere(moved, target.bids) };
}

/** A plan of its own for campaigns that go to another place or account: the brief with its amounts converted, and those campaigns alone. */
export function planForCopy(
  file: PlanFile,
  campaigns: FileCampaign[],
  target: CopyTarget,
  { name, timeZone }: { name: string; timeZone: string },
): PlanFile {
  // What is put in below is not converted in vain.
  const { brief, ...rest } = convertAmounts({ ...file, campaigns: [], finds: [] }, planFileAmounts, target);
  const monthlyMinor = campaigns.reduce((sum, campaign) => sum + (campaign.monthlyMinor ?? 0), 0);
  return {
    ...rest,
    name,
    account: { currency: target.to, timeZone },
    brief: { ...brief, monthlyMinor, languages: target.languages ?? brief.languages, places: target.places },
    campaigns,
    // Figures are of the old place: they are fetched anew.
    finds: file.finds.map((find) => ({ ...find, ...noFigures, otherFigures: [] })),
    setAside: [],
  };
}
