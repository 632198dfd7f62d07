import type { Group } from '$lib/core/records/group';
import type { Keyword } from '$lib/core/records/keyword';
import type { MatchType } from '$lib/core/records/match-types';
import type { Find } from '$lib/core/records/find';

/** Which keywords the sheet shows: all that hold a text, over groups and, where wanted, over campaigns. */
export class SheetFilter {
  holds = $state('');
  not = $state('');
  page = $state('');
  match = $state<MatchType | ''>('');
  searchesAtLeast = $state(0);
  /** A name of a group, or a label of a keyword or its group. */
  group = $state('');
  label = $state('');
  /** Minor units. */
  bidAtLeast = $state<number | null>(null);
  overAll = $state(false);

  readonly isOn: boolean = $derived(
    this.holds.trim() !== '' ||
      this.not.trim() !== '' ||
      this.page.trim() !== '' ||
      this.match !== '' ||
      this.searchesAtLeast > 0 ||
      this.group.trim() !== '' ||
      this.label.trim() !== '' ||
      this.bidAtLeast !== null,
  );

  clear(): void {
    [this.holds, this.not, this.page, this.match, this.searchesAtLeast, this.overAll] = ['', '', '', '', 0, false];
    [this.group, this.label, this.bidAtLeast] = ['', '', null];
  }

  /** A test of a keyword in its group, for all of them at once. */
  test(findByText: ReadonlyMap<string, Find>, bidOf: (keyword: Keyword) => number | null): (keyword: Keyword, group: Group) => boolean {
    const [holds, not, page, name, label] = [this.holds, this.not, this.page, this.group, this.label].map((text) =>
      text.trim().toLowerCase(),
    ) as [string, string, string, string, string];
    const { match, searchesAtLeast, bidAtLeast } = this;
    const isLabelled = ({ labels }: Keyword | Group) => labels.some((one) => one.toLowerCase().includes(label));
    return (keyword, group) =>
      keyword.text.includes(holds) &&
      (not === '' || !keyword.text.includes(not)) &&
      (page === '' || (keyword.landingPage || group.landingPage).toLowerCase().includes(page)) &&
      (name === '' || group.name.toLowerCase().includes(name)) &&
      (label === '' || isLabelled(keyword) || isLabelled(group)) &&
      (bidAtLeast === null || (bidOf(keyword) ?? 0) >= bidAtLeast) &&
      (match === '' || keyword.match === match) &&
      (searchesAtLeast === 0 || (findByText.get(keyword.text)?.searchesHigh ?? 0) >= searchesAtLeast);
  }
}
