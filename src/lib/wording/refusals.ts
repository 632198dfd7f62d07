import type { Change } from '$lib/core/plan/changes';
import type { Refusal } from '$lib/core/plan/decide';

/** What a refused change says on screen: what happened, and the texts side by side. */
export interface RefusalWords {
  what: string;
  mine: string;
  theirs: string;
}

const asText = (value: unknown) => (value === null || value === undefined ? '' : typeof value === 'string' ? value : JSON.stringify(value));

/** The sentence for a refusal. */
export function wordRefusalCode(refusal: Refusal | { code: string }): string {
  if ('record' in refusal) {
    switch (refusal.code) {
      case 'gone':
        return 'What it changes is no longer there.';
      case 'stale':
        return 'This field was changed elsewhere meanwhile.';
      case 'taken':
        return `“${refusal.value}” stands there already.`;
      case 'exists':
        return 'It stands there already.';
      case 'parent-missing':
        return 'What it belongs to is no longer there.';
      case 'wrong-stream':
        return 'It does not belong here.';
    }
  }
  if (refusal.code === 'no-such-plan') return 'The plan is no longer on the Shelf.';
  return 'The server did not take it.';
}

/** The words of a refused change. */
export function wordRefusal({
  change,
  refusal,
  message,
}: {
  change: Change;
  refusal: Refusal | { code: string };
  message: string;
}): RefusalWords {
  const what = wordRefusalCode(refusal);
  const isStale = 'record' in refusal && refusal.code === 'stale';
  const typed = change.type === 'set' ? Object.values(change.fields).map(asText).join(', ') : '';
  return {
    what: what === 'The server did not take it.' && message ? `${what} ${message}` : what,
    mine: isStale ? asText(refusal.mine) : typed,
    theirs: isStale ? asText(refusal.theirs) : '',
  };
}
