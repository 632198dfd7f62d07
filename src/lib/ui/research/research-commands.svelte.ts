import type { BlockReason, Verdict } from '$lib/core/records/find';
import type { WordKindName } from '$lib/core/records/word-kind';
import type { WordCount } from '$lib/core/research/word-index';
import { countOf } from '$lib/wording/texts';
import type { ShellState } from '../shell/shell.svelte';
import type { ResearchState } from './research-state.svelte';

/** How a word in the hand is to be judged. */
interface WordAsked {
  reason: BlockReason;
  /** Whether its verdict stands for finds to come. */
  stands: boolean;
  /** Whether a block makes one negative of the word, or one of each of its finds. */
  negatives: 'word' | 'each';
}

/** What the screen does for the commands. */
interface ResearchScreen {
  /** Brings the find at hand into sight, once it is drawn. */
  showCurrent: () => void;
  /** Judges the kind of words that is open. */
  judgeKind: (verdict: Exclude<Verdict, 'open'>) => void;
}

/** What keys and buttons of Research do, on what is in the hand: a kind of words, a word, or the chosen finds. */
export class ResearchCommands {
  /** A kind of words in the hand. */
  kind = $state.raw<{ kind: WordKindName; words: readonly WordCount[] } | null>(null);
  word = $state<WordAsked>({ reason: 'other', stands: false, negatives: 'word' });
  /** Whether a group to keep in is being chosen. */
  isKeepingIn = $state(false);

  constructor(
    private readonly research: ResearchState,
    private readonly shell: ShellState,
    private readonly screen: ResearchScreen,
  ) {}

  /** Takes a word into the hand; an empty key takes none. */
  chooseWord(key: string): void {
    const { list, words } = this.research;
    this.kind = null;
    list.filter({ wordKey: key });
    this.word.stands = false;
    if (key === '') return;
    const { conflicts, finds } = words.preview(key);
    this.word.negatives = conflicts.length > 0 ? 'each' : 'word';
    this.word.reason = (finds[0] && this.research.proposalOf(finds[0]).reason) ?? 'other';
  }

  /** Words come into the hand one after the other, the most telling first; one that is left is offered again when all were. */
  nextWord(): void {
    const { list, words } = this.research;
    if (list.wordKey !== '') words.left.add(list.wordKey);
    const [first] = words.next;
    if (first && words.left.has(first.key)) words.left.clear();
    this.chooseWord(first?.key ?? '');
  }

  /** Lets go of the kind or the word in the hand. */
  leave(): void {
    if (this.kind) this.kind = null;
    else this.chooseWord('');
  }

  judgeWord(verdict: Exclude<Verdict, 'open'>): void {
    const { list, words } = this.research;
    const shown = words.known.formsOf(list.wordKey)[0] ?? list.wordKey;
    const count = words.judge(list.wordKey, { verdict, ...this.word });
    this.shell.announce(`${countOf(count, 'find')} with “${shown}”: ${verdict}. Ctrl Z takes it back.`);
    this.chooseWord('');
  }

  /** Judges what is in the hand. */
  judge(verdict: Verdict): void {
    const { list, judging } = this.research;
    if (this.kind && verdict !== 'open') return this.screen.judgeKind(verdict);
    if (list.wordKey !== '' && verdict !== 'open' && list.chosen.length <= 1) return this.judgeWord(verdict);
    const count = judging.judge(verdict);
    if (count > 1) this.shell.announce(`${countOf(count, 'find')}: ${verdict}`);
    this.screen.showCurrent();
  }

  /** Blocks the chosen finds for the words with this number in the current one. */
  blockFor(number: number): void {
    const { list, judging } = this.research;
    const words = list.current && judging.wordsAgainst(list.current)[number - 1];
    if (!words) return;
    const count = judging.blockFor(words);
    if (count > 1) this.shell.announce(`${countOf(count, 'find')} blocked, for “${words.text}” where they hold it`);
    this.screen.showCurrent();
  }

  /** Puts the nearest of our towns in for the one that the finds name, and keeps them, in one step. */
  keepSwapped(): void {
    const count = this.research.judging.keepSwapped();
    this.shell.announce(count > 0 ? `${countOf(count, 'find')} kept with one of our towns.` : 'No other town is named in it.');
    this.screen.showCurrent();
  }

  async lookUp(): Promise<void> {
    const count = await this.research.lookedUp.lookUpUnclear();
    this.shell.announce(
      count > 0
        ? `What ${countOf(count, 'unclear find')} show is looked up; proposals follow it.`
        : 'Nothing unclear is left that was not looked up.',
    );
  }

  keepIn(groupId: string): void {
    const { judging, planState } = this.research;
    const count = judging.keepIn(groupId);
    if (count > 1) this.shell.announce(`${countOf(count, 'find')} kept in ${planState.snapshot.group.get(groupId)?.name}.`);
    this.screen.showCurrent();
  }

  keepInNew(name: string): void {
    const count = this.research.judging.keepInNew(name);
    this.shell.announce(`${countOf(count, 'find')} kept in the new group ${name}.`);
    this.screen.showCurrent();
  }

  /** Each find goes into its own fitting group; where none fits, a group is asked for. */
  keepFitting(): void {
    const kept = this.research.judging.keepFitting();
    if (!kept) this.isKeepingIn = true;
    else if (kept.kept > 1 || kept.left > 0) {
      const [fits, is] = kept.left === 1 ? ['fits', 'is'] : ['fit', 'are'];
      const left = kept.left > 0 ? `; ${countOf(kept.left, 'find')} ${fits} none and ${is} still chosen` : '';
      this.shell.announce(`${countOf(kept.kept, 'find')} kept in ${countOf(kept.groups, 'group')}${left}.`);
    }
    this.screen.showCurrent();
  }

  /** Goes so many finds on; with `extend` those on the way are chosen. */
  move(by: number, extend = false): void {
    const { list } = this.research;
    list.goTo(list.currentIndex + by, { extend });
    this.screen.showCurrent();
  }
}
