import type { PastedLine } from '$lib/core/exchange/read-finds';

/** What reading changed or met in a pasted line. */
export function wordPasteNote(note: PastedLine['notes'][number]): string {
  switch (note.code) {
    case 'plus-removed':
      return 'plus marks taken off: phrase';
    case 'sign-became-space':
      return `${note.signs.join(' ')} became a space`;
    case 'nothing-left':
      return 'nothing left to read';
    case 'twice':
      return `the same as line ${note.firstLine}`;
    case 'in-plan':
      return 'in the plan already';
    case 'figure-unread':
      return `“${note.text}” is no figure`;
  }
}
