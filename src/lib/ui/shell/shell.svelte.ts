import { createContext } from 'svelte';
import { AppearanceState } from './appearance.svelte';

const foldBelow = 1180;

/** What of the shell is open. */
export class ShellState {
  isGoToOpen = $state(false);
  isKeysOpen = $state(false);
  /** Said to screen readers, and shown for a moment. */
  announcement = $state('');
  readonly appearance = new AppearanceState();
  private isWide = $state(innerWidth >= foldBelow);
  private chosen = $state<boolean | null>(null);
  readonly isMarginOpen = $derived(this.chosen ?? this.isWide);

  private timer: ReturnType<typeof setTimeout> | undefined;

  toggleMargin(): void {
    this.chosen = !this.isMarginOpen;
  }

  /** Opens the margin, where what is to be typed in stands there. */
  openMargin(): void {
    if (!this.isMarginOpen) this.chosen = true;
  }

  resize(): void {
    this.isWide = innerWidth >= foldBelow;
  }

  /** Says something for four seconds. */
  announce(text: string): void {
    this.announcement = text;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => (this.announcement = ''), 4000);
  }
}

export const [getShell, setShell] = createContext<ShellState>();
