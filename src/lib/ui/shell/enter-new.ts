import { flushSync } from 'svelte';
import { holdKeys } from './keys';

const framesToWait = 90;
const fields = 'input:not([type=checkbox], [type=radio], [type=file]), textarea, select, slot-editor';

/** Asks a line editor, which may still be on its way, to take the cursor. */
export const enterEvent = 'enter-field';

function enter(element: HTMLElement): void {
  element.scrollIntoView({ block: 'nearest' });
  if (element.localName === 'slot-editor') element.dispatchEvent(new CustomEvent(enterEvent));
  else element.focus();
  if (element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement) element.select();
}

/**
 * Sets the cursor into the first field of what was just added, its text selected, as soon as it is drawn. `selector` finds the field or what
 * holds it. Until then no key presses a button or gives a command.
 */
export function enterNew(selector: string): void {
  holdKeys();
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  flushSync();
  let frames = 0;
  const look = () => {
    const found = document.querySelector<HTMLElement>(selector);
    const field = found?.matches(fields) ? found : found?.querySelector<HTMLElement>(fields);
    if (field) enter(field);
    else if (++frames < framesToWait) requestAnimationFrame(look);
  };
  look();
}

/** The field that findings lead to by this name. */
export const fieldAt = (at: string) => `[data-at="${CSS.escape(at)}"]`;
/** The first field of a record's row. */
export const firstFieldOf = (id: string) => `[data-at^="${CSS.escape(id)}:"]`;
