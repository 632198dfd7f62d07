import type { TakenOut } from '$lib/core/ads/draft-from-rival';
import { quote } from './texts';

/** What was taken out of a rival’s line, and why. */
export function wordTakenOut({ why, text }: TakenOut): string {
  switch (why) {
    case 'name':
      return `${quote(text)} is theirs`;
    case 'claim':
      return `${quote(text)} claims what has to be proven`;
    case 'figure':
      return `${quote(text)} is a figure of theirs`;
  }
}
