import type { Change } from '$lib/core/store/changes';
import type { Refusal } from '$lib/core/store/draft';
import { countOf } from './texts';
import { wordFieldValue } from './row-changes';
import { nounOf } from './steps';

/** What a refused change says on screen: what happened, and the texts side by side. */
export interface RefusalWords {
  what: string;
  mine: string;
  theirs: string;
}

/** The sentence for a refusal. */
export function wordRefusalCode(refusal: Refusal | { code: string }): string {
  if ('record' in refusal) {
    switch (refusal.code) {
      case 'gone':
        return refusal.ids.length === 1
          ? `The ${nounOf(refusal.record)} it changes is no longer there.`
          : `${countOf(refusal.ids.length, 'row')} it changes are no longer there; nothing of it was made.`;
      case 'stale-rows':
        return `${countOf(refusal.ids.length, 'row')} ${refusal.ids.length === 1 ? 'was' : 'were'} changed elsewhere meanwhile; nothing of it was made.`;
      case 'stale':
        return 'This field was changed elsewhere meanwhile.';
      case 'taken':
        return `“${refusal.value}” stands there already.`;
      case 'exists':
        return 'It stands there already.';
      case 'parent-missing':
        return 'What it belongs to is no longer there.';
      case 'needed':
        return 'The plan cannot be without it.';
      case 'wrong-stream':
        return 'It does not belong here.';
    }
  }
  if (refusal.code === 'no-such-version') return 'That version is no longer there.';
  if (refusal.code === 'change-id-taken') return 'Another change bears its id already.';
  if (refusal.code === 'no-such-plan') return 'The plan is no longer on the Shelf.';
  if (refusal.code === 'currency-asks')
    return 'Another currency would have amounts read wrong; change it with the client on the Shelf, which asks.';
  if (refusal.code === 'currency-between')
    return 'The currency was changed since: amounts from before it would be read wrong. Change the currency back first.';
  return 'The server did not take it.';
}

/** The fields of an edit as its reader would write them; ids say nothing. */
function wordTyped(change: Change | null, currency: string): string {
  if (change?.type !== 'set') return '';
  return Object.entries(change.fields)
    .filter(([field]) => !field.endsWith('Id'))
    .map(([field, value]) => wordFieldValue(field, value, currency))
    .join(', ');
}

/** The words of a refused change; amounts are in the account's currency. */
export function wordRefusal(
  { change, refusal, message }: { change: Change | null; refusal: Refusal | { code: string }; message: string },
  currency: string,
): RefusalWords {
  const what = wordRefusalCode(refusal);
  const stale = 'record' in refusal && refusal.code === 'stale' ? refusal : null;
  return {
    what: what === 'The server did not take it.' && message ? `${what} ${message}` : what,
    mine: stale ? wordFieldValue(stale.field, stale.mine, currency) : wordTyped(change, currency),
    theirs: stale ? wordFieldValue(stale.field, stale.theirs, currency) : '',
  };
}
