import { differ, type DifferContext, type DifferingVersion } from '$lib/core/ads/differ';
import { measureFor } from '$lib/core/forecast/test-plan';
import type { Ad, AdDifference } from '$lib/core/records/ad';
import type { AdLine } from '$lib/core/records/ad-line';
import type { Group } from '$lib/core/records/group';
import type { SimpleChange } from '$lib/core/store/changes';
import { childrenOf, inOrder, nextPosition } from '$lib/core/store/snapshot';
import { firstLanguage, offerOf, type PlanView } from '$lib/core/view/plan-view';
import { nameBeside } from './ad-state.svelte';

/** An ad with the version of it that would be made; null where it cannot differ so. */
export interface VersionDraft {
  group: Group;
  ad: Ad;
  lines: readonly AdLine[];
  version: DifferingVersion<AdLine> | null;
}

/** What a group's versions can be made with. */
export function differContext(view: PlanView, group: Group): DifferContext {
  const offer = offerOf(view, group);
  const { headlines, descriptions } = view.rules.formats.responsive;
  return {
    language: firstLanguage(view, view.snapshot.campaign.get(group.campaignId)),
    offer: offer?.name ?? '',
    otherOffers: inOrder(view.snapshot.offer).flatMap(({ id, name }) => (id === offer?.id || name.trim() === '' ? [] : [name])),
    hasPrice: offer?.priceMinor != null,
    least: { headline: headlines.least, description: descriptions.least },
  };
}

/** The version of an ad that differs in one thing. */
export function draftVersion(view: PlanView, ad: Ad, by: AdDifference): VersionDraft | null {
  const group = view.snapshot.group.get(ad.groupId);
  if (!group) return null;
  const lines = childrenOf(view.snapshot.adLine, 'adId', ad.id);
  return { group, ad, lines, version: differ(lines, by, differContext(view, group)) };
}

/** The ads from which a test is made in all groups under a master: of each group the first of them that is no version itself. */
export function adsUnder({ snapshot }: PlanView, masterName: string): Ad[] {
  return inOrder(snapshot.group).flatMap(({ id }) => {
    const own = childrenOf(snapshot.ad, 'groupId', id).find((ad) => ad.masterName === masterName && ad.differsIn === '');
    return own ? [own] : [];
  });
}

/** The changes that add versions beside their ads, and the id of the first. A first headline under test is fixed in both. */
export function addVersions(
  { snapshot }: PlanView,
  drafts: readonly VersionDraft[],
  by: AdDifference,
  newId: () => string,
): { changes: SimpleChange[]; firstId: string | null; firstLineId: string | null } {
  let firstId: string | null = null;
  let firstLineId: string | null = null;
  const changes = drafts.flatMap(({ ad, lines, version }): SimpleChange[] => {
    if (!version) return [];
    const id = newId();
    const rows = version.lines.map((line, position) => ({ ...line, id: newId(), adId: id, position }));
    firstId ??= id;
    firstLineId ??= rows[version.changed[0] ?? 0]?.id ?? null;
    const siblings = childrenOf(snapshot.ad, 'groupId', ad.groupId);
    const row = {
      ...ad,
      id,
      name: nameBeside(siblings),
      differsIn: by,
      testMeasure: measureFor(by),
      testEndsOn: null,
      position: nextPosition(siblings),
    };
    const first = by === 'first-headline' ? lines[version.changed[0] ?? -1] : undefined;
    return [
      { type: 'add', record: 'ad', rows: [row] },
      { type: 'add', record: 'adLine', rows },
      ...(first && first.fixedAt !== 1
        ? [
            {
              type: 'set' as const,
              record: 'adLine' as const,
              ids: [first.id as string],
              fields: { fixedAt: 1 },
              was: { fixedAt: first.fixedAt },
            },
          ]
        : []),
    ];
  });
  return { changes, firstId, firstLineId };
}
