/** How the screens look: as the system does, or always light or dark. */
export const appearances = ['system', 'light', 'dark'] as const;
export type Appearance = (typeof appearances)[number];

/** Read before the first paint by `static/appearance.js`. */
const key = 'biblion.appearance';

/** The appearance that was chosen in this browser. */
export class AppearanceState {
  chosen = $state<Appearance>('system');

  constructor() {
    const { appearance } = document.documentElement.dataset;
    this.chosen = appearance === 'light' || appearance === 'dark' ? appearance : 'system';
  }

  /** Takes an appearance; where the browser keeps nothing it lasts until the page is left. */
  choose(appearance: Appearance): void {
    this.chosen = appearance;
    if (appearance === 'system') delete document.documentElement.dataset.appearance;
    else document.documentElement.dataset.appearance = appearance;
    try {
      if (appearance === 'system') localStorage.removeItem(key);
      else localStorage.setItem(key, appearance);
    } catch {
      // Storage that is forbidden or full keeps no choice.
    }
  }
}
