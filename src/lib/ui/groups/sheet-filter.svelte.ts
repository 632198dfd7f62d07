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
  overAll = $state(false);

  readonly isOn: boolean = $derived(
    this.holds.trim() !== '' || this.not.trim() !== '' || this.page.trim() !== '' || this.match !== '' || this.searchesAtLeast > 0,
  );

  clear(): void {
    [this.holds, this.not, this.page, this.match, this.searchesAtLeast, this.overAll] = ['', '', '', '', 0, false];
  }

  /** A test of a keyword in its group, for all of them at once. */
  test(findByText: ReadonlyMap<string, Find>): (keyword: Keyword, group: Group) => boolean {
    const [holds, not, page] = [this.holds, this.not, this.page].map((text) => text.trim().toLowerCase()) as [string, string, string];
    const { match, searchesAtLeast } = this;
    return (keyword, group) =>
      keyword.text.includes(holds) &&
      (not === '' || !keyword.text.includes(not)) &&
      (page === '' || group.landingPage.toLowerCase().includes(page)) &&
      (match === '' || keyword.match === match) &&
      (searchesAtLeast === 0 || (findByText.get(keyword.text)?.searchesHigh ?? 0) >= searchesAtLeast);
  }
}
