/** Whether keys typed on an element are text, not commands. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      target.matches('input:not([type=checkbox], [type=radio]), textarea, select') ||
      target.tagName.endsWith('-EDITOR'))
  );
}

/** Whether an element answers Enter or Space by itself, so that they are no command there. */
export const isPressable = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.matches('button, a, input, select, textarea, summary');

const heldMs = 300;
let heldUntil = 0;

/** Holds single keys for a moment, as something appears that takes what is typed: a dialog, a row that was added. */
export const holdKeys = () => void (heldUntil = performance.now() + heldMs);

/** Whether a single key pressed now is a command: nobody types, no dialog is open, and nothing has just appeared (`evenHeld`: though it has). */
const isCommand = (target: EventTarget | null, { evenHeld = false } = {}): boolean =>
  !isTyping(target) && !document.querySelector('dialog[open]') && (evenHeld || performance.now() >= heldUntil);

/** What a key does as a command: nothing where one types, a dialog is open or the keys are somebody else's (`isElsewhere`). */
export const asCommand =
  (act: () => unknown, { evenHeld = false, isElsewhere = () => false }: { evenHeld?: boolean; isElsewhere?: () => boolean } = {}) =>
  (event: KeyboardEvent): void => {
    if (isElsewhere() || !isCommand(event.target, { evenHeld })) return;
    event.preventDefault();
    act();
  };

/** The keys that undo and make again, for `tinykeys`; a field's own undo comes first. */
export function stepKeys(step: (direction: 'undo' | 'redo') => unknown): Record<string, (event: KeyboardEvent) => void> {
  const walk = (direction: 'undo' | 'redo') => (event: KeyboardEvent) => {
    if (fieldHasOwnUndo(event.target) || document.querySelector('dialog[open]')) return;
    event.preventDefault();
    step(direction);
  };
  return { '$mod+KeyZ': walk('undo'), '$mod+Shift+KeyZ': walk('redo'), '$mod+KeyY': walk('redo') };
}

/** Leaves a field, so that keys are commands again. */
export function leaveField(target: EventTarget | null): void {
  if (!isTyping(target) || !(target instanceof HTMLElement) || target.closest('dialog')) return;
  const inner = target.shadowRoot?.activeElement;
  (inner instanceof HTMLElement ? inner : target).blur();
}

let textAtFocus = '';
const textOf = (element: EventTarget | null) =>
  element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement
    ? element.value
    : element instanceof HTMLElement
      ? (element.dataset.text ?? '')
      : '';

/** Remembers what a field held when it was entered. */
export const rememberField = (event: FocusEvent) => (textAtFocus = textOf(event.target));

/** Whether the field's own undo comes first: it holds something else than when it was entered. */
export const fieldHasOwnUndo = (target: EventTarget | null) => isTyping(target) && textOf(target) !== textAtFocus;
