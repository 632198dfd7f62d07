import type { Brief, SoldWay } from '$lib/core/records/brief';
import { blockNotOffered } from '$lib/core/proof/check-brief';
import { holdsPhrase } from '$lib/core/rules/word-lists';
import { childrenOf, inOrder } from '$lib/core/store/snapshot';
import { isHomePage, readAddress } from '$lib/core/text/address';
import { worthOf } from '$lib/core/view/plan-view';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';

/** The chapter Brief: what was said once, and where it is used. */
export class BriefState {
  readonly brief: Brief = $derived.by(() => this.planState.plan.brief);
  readonly soldItems = [
    { value: '', name: 'As the offer and the goal say' },
    { value: 'service', name: 'A service: work that is done for people' },
    { value: 'thing', name: 'Things: bought, delivered or fitted' },
    { value: 'course', name: 'Courses and lessons' },
  ] as const;
  readonly wayItems = [
    { value: 'sells', name: 'sells it' },
    { value: 'fits', name: 'fits it' },
    { value: 'repairs', name: 'repairs it' },
    { value: 'hires-out', name: 'hires it out' },
  ] as const satisfies readonly { value: SoldWay; name: string }[];
  readonly reachItems = [
    { value: 'parcels', name: 'parcels' },
    { value: 'visits', name: 'visits' },
  ] as const;
  readonly servedItems = [
    { value: 'homes', name: 'homes' },
    { value: 'firms', name: 'firms' },
  ] as const;
  readonly findings = $derived.by(() => this.planState.reader.proof.findings.filter(({ chapter }) => chapter === 'brief'));
  /** What a click is worth, step by step; null where not enough is said. */
  readonly worth = $derived.by(() => worthOf(this.planState.plan));
  readonly isHomePage: boolean = $derived.by(() => {
    const address = readAddress(this.brief.landingPage);
    return address !== null && isHomePage(address);
  });
  private readonly notOffered = $derived.by(() => childrenOf(this.planState.snapshot.briefItem, 'kind', 'not-offered'));
  /** What would block all that is not offered; null where all of it is blocked. */
  readonly block = $derived.by(() => blockNotOffered(this.planState.plan, () => newId()));
  /** Facts with the address of the first line that says each; null: none does. */
  readonly facts = $derived.by(() =>
    childrenOf(this.planState.snapshot.briefItem, 'kind', 'fact').map(({ text }) => {
      const line = inOrder(this.planState.snapshot.adLine).find((one) => holdsPhrase(one.text, text));
      const ad = line && this.planState.snapshot.ad.get(line.adId);
      return { text, address: ad ? `/plans/${this.planState.planId}/ads?group=${ad.groupId}&ad=${ad.id}` : null };
    }),
  );
  /** Kept finds that what is not offered would block. */
  readonly blocked = $derived.by(() =>
    this.notOffered.flatMap(({ text }) => {
      const finds = inOrder(this.planState.snapshot.find).flatMap((find) =>
        find.verdict === 'keep' && holdsPhrase(find.text, text) ? [find.text] : [],
      );
      return finds.length > 0 ? [{ text, finds }] : [];
    }),
  );
  /** How much of what is said here is used, and of how much. */
  readonly uses = $derived.by(() => {
    const { campaign, place } = this.planState.snapshot;
    return [
      ['Facts in lines', this.facts.filter(({ address }) => address).length, this.facts.length],
      ['Not offered, blocked', this.notOffered.length - (this.block?.texts.length ?? 0), this.notOffered.length],
      [
        'Campaigns with a place',
        inOrder(campaign).filter(({ id }) => childrenOf(place, 'campaignId', id).length > 0).length,
        campaign.size,
      ],
    ] as const;
  });

  constructor(private readonly planState: PlanState) {}

  set = (fields: Partial<Brief>, editSession?: string): void => void this.planState.set('brief', this.brief.id, fields, editSession);
}
