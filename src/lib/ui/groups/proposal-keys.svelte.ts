import { asCommand, isPressable } from '../shell/keys';
import type { ShellState } from '../shell/shell.svelte';
import { countOf } from '$lib/wording/texts';
import type { ProposalState } from './proposal-state.svelte';

/** What is being chosen or typed for the row or the text at hand. */
export type ProposalAsking = 'move' | 'join' | 'split' | 'one-ad' | null;

/** The hands on a proposal: going through rows and their keywords, and what each key does there. */
export class ProposalKeys {
  asking = $state<ProposalAsking>(null);
  /** Texts that are moved: the one at hand, or all of a row. */
  moving = $state.raw<readonly string[]>([]);

  constructor(
    private readonly proposal: ProposalState,
    private readonly shell: ShellState,
    private readonly leave: () => void,
  ) {}

  /** Texts that arrows go through: those of the row, then what is left over. */
  private get texts(): string[] {
    const { current, leftOver, text } = this.proposal;
    return [...(current?.items.map(text) ?? []), ...leftOver.map((one) => one.text)];
  }

  private step(by: number): void {
    const { proposal } = this;
    if (proposal.currentText === null) {
      const at = proposal.rows.findIndex(({ key }) => key === proposal.current?.key);
      const next = proposal.rows[Math.max(0, Math.min(proposal.rows.length - 1, at + by))];
      if (next) proposal.currentKey = next.key;
      this.show(`[data-key="${CSS.escape(next?.key ?? '')}"]`);
      return;
    }
    const { texts } = this;
    const at = texts.indexOf(proposal.currentText);
    proposal.currentText = texts[Math.max(0, Math.min(texts.length - 1, at + by))] ?? null;
    this.show(`[data-text="${CSS.escape(proposal.currentText ?? '')}"]`);
  }

  private show(selector: string): void {
    document.querySelector(selector)?.scrollIntoView({ block: 'nearest' });
  }

  /** Goes to the keywords of the row, or back to it. */
  private enter(isInside: boolean): void {
    this.proposal.currentText = isInside ? (this.texts[0] ?? null) : null;
  }

  private toggle(): void {
    const { current, currentText } = this.proposal;
    if (currentText !== null) this.proposal.toggleText(currentText);
    else if (current) this.proposal.toggleRow(current.key);
  }

  /** Moves one text, the one at hand, or all of the row at hand. */
  askMove(text: string | null = this.proposal.currentText): void {
    const { current } = this.proposal;
    this.moving = text === null ? (current?.items.map(this.proposal.text) ?? []) : [text];
    if (this.moving.length > 0) this.asking = 'move';
  }

  moveTo(key: string): void {
    const { proposal, moving } = this;
    const next = this.texts[this.texts.indexOf(moving.at(-1) ?? '') + 1] ?? null;
    proposal.move(moving, key);
    if (proposal.currentText !== null) proposal.currentText = next;
    this.shell.announce(`${countOf(moving.length, 'keyword')} to ${proposal.rows.find((row) => row.key === key)?.name ?? ''}.`);
  }

  /** Puts the left-over text at hand into its second best. */
  private takeSecond(): void {
    const { proposal } = this;
    const left = proposal.leftOver.find(({ text }) => text === proposal.currentText);
    if (!left?.second) return;
    this.moving = [left.text];
    this.moveTo(left.second.key);
  }

  splitOff(word: string): void {
    const { current } = this.proposal;
    const count = current ? this.proposal.splitOff(current, word) : 0;
    this.shell.announce(count > 0 ? `${countOf(count, 'keyword')} split off.` : `None of them holds “${word}”.`);
  }

  /** The row's theme, where it is a word that can be taught. */
  get theme(): string | null {
    const { current } = this.proposal;
    return current && ['word', 'kind', 'company'].includes(current.reason.kind) ? current.theme : null;
  }

  private namesTrade(): void {
    const { theme } = this;
    if (theme === null) return;
    for (const word of theme.split(' ')) this.proposal.teach(word);
    this.shell.announce(`“${theme}” names the trade now, for all plans of the client.`);
  }

  oneAdWith(theme: string): void {
    if (this.theme === null) return;
    this.proposal.teach(this.theme, theme);
    this.shell.announce(`“${this.theme}” and “${theme}” are one ad now, for all plans of the client.`);
  }

  async make(): Promise<void> {
    const { groups, added, moved } = this.proposal.totals;
    if (!(await this.proposal.make())) return;
    this.shell.announce(`${countOf(groups, 'group')} made, ${countOf(added, 'keyword')} added, ${moved} moved. Ctrl Z takes them back.`);
    this.leave();
  }

  /** Few to many by a step. */
  private more(by: number): void {
    this.proposal.many = Math.max(0.05, Math.min(0.95, Math.round((this.proposal.many + by) * 20) / 20));
  }

  /** Keys of the page, for `tinykeys`. */
  get commands(): Record<string, (event: KeyboardEvent) => void> {
    return {
      ArrowDown: asCommand(() => this.step(1)),
      ArrowUp: asCommand(() => this.step(-1)),
      ArrowRight: asCommand(() => this.enter(true)),
      ArrowLeft: asCommand(() => this.enter(false)),
      Space: (event) => {
        if (isPressable(event.target)) return;
        asCommand(() => this.toggle())(event);
      },
      Enter: (event) => {
        if (isPressable(event.target)) return;
        asCommand(() => this.takeSecond())(event);
      },
      KeyM: asCommand(() => this.askMove()),
      KeyJ: asCommand(() => this.proposal.current && (this.asking = 'join')),
      KeyS: asCommand(() => this.proposal.current && (this.asking = 'split')),
      KeyT: asCommand(() => this.namesTrade()),
      KeyE: asCommand(() => this.theme !== null && (this.asking = 'one-ad')),
      KeyF: asCommand(() => this.proposal.current?.groupId && this.proposal.fix(this.proposal.current.groupId)),
      F2: asCommand(() => document.querySelector<HTMLInputElement>('[aria-label="Name of the group"]')?.select()),
      Minus: asCommand(() => this.more(-0.05)),
      Equal: asCommand(() => this.more(0.05)),
      '$mod+Enter': (event) => {
        event.preventDefault();
        if (event.target instanceof HTMLElement) event.target.blur();
        void this.make();
      },
      Escape: asCommand(() => this.leave()),
    };
  }
}
