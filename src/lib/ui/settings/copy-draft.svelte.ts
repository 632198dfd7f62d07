import { compareBids, type BidFactors } from '$lib/core/copying/bids-there';
import { addCampaign } from '$lib/core/copying/copy-rows';
import { copyCampaign, planForCopy, type CopyTarget } from '$lib/core/copying/copy-to-place';
import type { PlaceWord } from '$lib/core/copying/place-words';
import { countTexts, findTextChanges, unitsOf, withTexts, type FileCampaign, type TextChange } from '$lib/core/copying/text-changes';
import { placeSaid } from '$lib/core/ads/slot-values';
import { marketFigures } from '$lib/core/finds/find-figures';
import { placesKey, summarizeFigures, type DemandSummary, type MarketFigures } from '$lib/core/market/figures';
import type { PlanFile } from '$lib/core/exchange/plan-file';
import { writePlanFile } from '$lib/core/exchange/write-plan-file';
import type { FoundPlace } from '$lib/core/places/found-place';
import { childrenOf, inOrder } from '$lib/core/store/snapshot';
import { freeName } from '$lib/core/view/campaign-name';
import { offsetMinutes } from '$lib/core/plan/clock-changes';
import type { Campaign } from '$lib/core/records/campaign';
import type { Place } from '$lib/core/records/place';
import { marketName } from '../research/find-figures.svelte';
import { withFields } from '../parts/lists';
import { MarketAsking } from '../state/market-asking.svelte';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';

/** What was decided on a text that names the old place: taken, and as what. */
interface Decision {
  isTaken: boolean;
  text: string;
}

/** A campaign on its way to another place, until it is made. */
export class CopyDraft {
  place = $state.raw<FoundPlace | null>(null);
  radiusKm = $state<number | null>(null);
  words = $state.raw<PlaceWord[]>([]);
  language = $state('');
  keepsLocalHours = $state(true);
  rate = $state('');
  /** One campaign, added to this plan; or the whole plan as another one. */
  scope = $state<'campaign' | 'plan'>('campaign');
  /** The currency of the place, where it is another one. */
  currency = $state('');
  readonly asking = new MarketAsking();
  /** What the market answers for the keywords here and there; null while it is not asked. */
  demand = $state.raw<{ here: DemandSummary; there: DemandSummary; bids: BidFactors | null } | null>(null);
  takesBids = $state(true);
  private findsThere: readonly MarketFigures[] = [];
  private decisions = $state.raw<ReadonlyMap<string, Decision>>(new Map());

  private readonly file: PlanFile;
  private readonly campaignId: string;
  readonly source: FileCampaign;

  readonly needsAccount: boolean = $derived.by(() => this.currency !== '' && this.currency !== this.planState.currency);
  readonly rateNumber: number | null = $derived.by(() => {
    const number = Number(this.rate.trim().replace(',', '.'));
    return number > 0 && Number.isFinite(number) ? number : null;
  });
  private readonly sources: readonly FileCampaign[] = $derived.by(() => (this.scope === 'plan' ? this.file.campaigns : [this.source]));
  /** Texts of the campaigns that are copied, by their path under the campaign's place in the list. */
  readonly changes: readonly TextChange[] = $derived.by(() => {
    const words = this.words.filter(({ from, to }) => from.trim() !== '' && to.trim() !== '');
    return this.sources.flatMap((source, index) =>
      findTextChanges(source, words, this.planState.plan.rules).map((change) => ({ ...change, path: `${index} ${change.path}` })),
    );
  });
  readonly untouched: number = $derived.by(
    () => this.sources.reduce((sum, source) => sum + countTexts(source, this.planState.plan.rules), 0) - this.changes.length,
  );
  /** Hours by which the place's clock differs from the account's. */
  readonly hoursApart: number = $derived.by(() =>
    this.place ? hoursBetween(this.planState.plan.account.timeZone, this.place.timeZone) : 0,
  );
  readonly tooLong: number = $derived.by(() => this.changes.filter((change) => this.isTaken(change) && this.isOver(change)).length);
  readonly isReady: boolean = $derived.by(() => this.place !== null && (!this.needsAccount || this.rateNumber !== null));

  constructor(
    private readonly planState: PlanState,
    campaign: Campaign,
  ) {
    this.campaignId = campaign.id;
    const { snapshot } = planState.plan;
    this.file = writePlanFile(planState.whole, planState.planId);
    this.source = this.file.campaigns[inOrder(snapshot.campaign).findIndex(({ id }) => id === campaign.id)]!;
    const places = childrenOf(snapshot.place, 'campaignId', campaign.id).flatMap(({ name, excluded }) => (excluded ? [] : [name]));
    const names = [placeSaid(planState.plan, campaign.id), campaign.placeWord, ...places];
    const once = new Map(names.filter((name) => name.trim() !== '').map((name) => [name.toLowerCase(), name]));
    this.words = [...once.values()].map((from) => ({
      from: from === from.toLowerCase() ? from.replace(/^\p{L}/u, (letter) => letter.toUpperCase()) : from,
      to: '',
    }));
    this.radiusKm = childrenOf(snapshot.place, 'campaignId', campaign.id).find(({ excluded }) => !excluded)?.radiusKm ?? null;
  }

  /** Chooses the new place; its name stands for every old one until it is changed. */
  choose(place: FoundPlace, currency: string): void {
    this.place = place;
    this.currency = currency;
    this.words = this.words.map(({ from }) => ({ from, to: place.name }));
    this.decisions = new Map();
    void this.askMarket();
  }

  /** Asks what the keywords are searched and cost here and at the new place. */
  private async askMarket(): Promise<void> {
    this.demand = null;
    const places = this.planState.snapshot.place;
    const ours = childrenOf(places, 'campaignId', this.campaignId);
    const pairs = this.sources.flatMap((source, index) => {
      const there = withTexts(source, this.textsTaken(index), { keepsTwice: true });
      return source.groups.flatMap((group, at) =>
        group.keywords.map(({ text }, row) => [text, there.groups[at]?.keywords[row]?.text ?? text] as const),
      );
    });
    const once = [...new Map(pairs.map((pair) => [pair[1], pair])).values()];
    const languages = this.language === '' ? this.source.languages : [this.language];
    const here = await this.asking.figures(
      once.map(([text]) => text),
      { places: ours, languages: this.source.languages, currency: this.planState.currency },
    );
    if (!here) return;
    const asked = {
      places: this.placesThere() as Place[],
      languages,
      currency: this.needsAccount ? this.currency : this.planState.currency,
    };
    const finds = this.scope === 'plan' ? this.file.finds.map(({ text }) => text) : [];
    const answers = await this.asking.figures([...once.map(([, text]) => text), ...finds], asked);
    if (!answers) return;
    const there = answers.slice(0, once.length);
    this.findsThere = answers.slice(once.length);
    this.demand = { here: summarizeFigures(here), there: summarizeFigures(there), bids: compareBids(here, there) };
  }

  /** What is copied: one campaign, or the plan. */
  setScope(scope: CopyDraft['scope']): void {
    this.scope = scope;
    if (this.place) void this.askMarket();
  }

  private placesThere(): FileCampaign['places'] {
    const { kind, name, country, code, region, latitude, longitude, people } = this.place!;
    return [
      { kind, name, country, code, region, latitude, longitude, radiusKm: kind === 'city' ? this.radiusKm : null, people, excluded: false },
    ];
  }

  private textsTaken(index: number): Map<string, string> {
    return new Map(
      this.changes
        .filter((change) => change.path.startsWith(`${index} `) && this.isTaken(change))
        .map((change) => [change.path.slice(`${index} `.length), this.textOf(change)]),
    );
  }

  setWord(index: number, fields: Partial<PlaceWord>): void {
    this.words = withFields(this.words, index, fields);
  }

  addWord(): void {
    this.words = [...this.words, { from: '', to: this.place?.name ?? '' }];
  }

  isTaken = (change: TextChange) => this.decisions.get(change.path)?.isTaken ?? change.isSure;
  textOf = (change: TextChange) => this.decisions.get(change.path)?.text ?? change.after;
  isOver = (change: TextChange) => change.limit !== null && this.unitsOf(change) > change.limit;

  /** How long a text is as it was decided, in units. */
  unitsOf = (change: TextChange): number => {
    const text = this.textOf(change);
    return text === change.after
      ? change.units
      : unitsOf(change.kind, text, change.limit, this.language || (this.source.languages[0] ?? 'en'));
  };

  decide(change: TextChange, fields: Partial<Decision>): void {
    const decision = { isTaken: this.isTaken(change), text: this.textOf(change), ...fields };
    this.decisions = new Map([...this.decisions, [change.path, decision]]);
  }

  /** Takes the shorter text wherever one is offered. */
  shortenAll(): void {
    for (const change of this.changes) if (change.shorter !== null && this.isOver(change)) this.decide(change, { text: change.shorter });
  }

  private target(index: number): CopyTarget {
    return {
      places: this.placesThere(),
      placeWord: this.place!.name.toLowerCase(),
      languages: this.language === '' ? null : [this.language],
      // Hours are written in the account's zone: open at nine there is open at ten here.
      shiftHours: this.keepsLocalHours && !this.needsAccount ? -this.hoursApart : 0,
      texts: this.textsTaken(index),
      bids: this.takesBids ? (this.demand?.bids ?? null) : null,
      rate: this.needsAccount ? this.rateNumber : null,
      from: this.planState.currency,
      to: this.needsAccount ? this.currency : this.planState.currency,
    };
  }

  /** Finds with the figures that the market answered for the new place. */
  private withFiguresThere(finds: PlanFile['finds']): PlanFile['finds'] {
    const asked = { key: placesKey(this.placesThere()), on: this.planState.today, from: marketName };
    return finds.map((find, index) => {
      const figures = this.findsThere[index];
      return figures?.text === find.text ? { ...find, ...marketFigures(figures, asked) } : find;
    });
  }

  /** Makes the copy: in this plan, one step; answers its id, or the plan file that is a plan of its own. */
  make(): { campaignId: string } | { file: PlanFile } {
    const { plan } = this.planState;
    const copies = this.sources.map((source, index) => copyCampaign(source, this.target(index), plan.house.naming));
    if (this.needsAccount || this.scope === 'plan') {
      const timeZone = this.needsAccount ? this.place!.timeZone : plan.account.timeZone;
      const file = planForCopy(this.file, uniquelyNamed(copies), this.target(0), {
        name: `${plan.plan.name}, ${this.place!.name}`,
        timeZone,
      });
      return { file: { ...file, finds: this.withFiguresThere(file.finds) } };
    }
    const { change, campaignId } = addCampaign(plan, this.file, copies[0]!, newId);
    this.planState.make(change);
    return { campaignId };
  }
}

/** Campaigns that got the same name by going to one place get a number. */
function uniquelyNamed(campaigns: readonly FileCampaign[]): FileCampaign[] {
  const taken = new Set<string>();
  return campaigns.map((campaign) => {
    const name = freeName(campaign.name, taken);
    taken.add(name);
    return name === campaign.name ? campaign : { ...campaign, name, nameIsTyped: true };
  });
}

/** By how many whole hours the clock of one zone is ahead of another's, today. */
function hoursBetween(from: string, to: string): number {
  const hourIn = (timeZone: string) => Math.trunc(offsetMinutes(timeZone, new Date()) / 60);
  return to === '' ? 0 : hourIn(to) - hourIn(from);
}
