import type { PastedLines } from '$lib/core/ads/paste-lines';
import type { Change } from '$lib/core/store/changes';
import { blankFields } from '$lib/core/records/record-types';
import type { LineKindOfAd } from '$lib/core/records/ad-line';

/** The step that pasted lines make of the lines of an ad or a master; `owner` names what they belong to. */
export function pastedChange(
  record: 'adLine' | 'masterLine',
  owner: { adId: string } | { masterId: string },
  kind: LineKindOfAd,
  { set, added }: PastedLines,
): Change {
  const rows = set.map(({ id, text, position }) => ({ id, text, position }));
  const fresh = added.map((line) => ({ ...blankFields(record), ...line, ...owner, kind }));
  return {
    type: 'several',
    name: 'pasted',
    changes: [
      ...(rows.length > 0 ? [{ type: 'set-each' as const, record, rows }] : []),
      ...(fresh.length > 0 ? [{ type: 'add' as const, record, rows: fresh }] : []),
    ],
  };
}
