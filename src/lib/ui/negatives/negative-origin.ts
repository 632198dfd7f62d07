import type { Negative } from '$lib/core/records/negative';
import type { Snapshot } from '$lib/core/store/snapshot';
import { reasonWords } from '$lib/wording/research';

/** Of whom a negative is: `the whole plan`, or a campaign or group by name. */
export function levelOf(snapshot: Snapshot, { campaignId, groupId }: Pick<Negative, 'campaignId' | 'groupId'>): string {
  if (groupId !== null) return `the group ${snapshot.group.get(groupId)?.name ?? ''}`;
  return campaignId === null ? 'the whole plan' : `the campaign ${snapshot.campaign.get(campaignId)?.name ?? ''}`;
}

/** Where a negative comes from: in one or two words, and with what it goes. */
export function originOf(snapshot: Snapshot, { findId, wordVerdictId, briefItemId }: Negative): { short: string; long: string } {
  const find = findId === null ? undefined : snapshot.find.get(findId);
  const word = wordVerdictId === null ? undefined : snapshot.wordVerdict.get(wordVerdictId);
  const entry = briefItemId === null ? undefined : snapshot.briefItem.get(briefItemId);
  const because = (reason: keyof typeof reasonWords | null) => (reason ? `, ${reasonWords[reason]}` : '');
  if (find) return { short: 'a find', long: `the blocked find “${find.text}”${because(find.reason)}; it leaves with that verdict` };
  if (word) return { short: 'a word', long: `the blocked word “${word.words}”${because(word.reason)}; it leaves when that is taken back` };
  return entry ? { short: 'the Brief', long: `the Brief’s “not offered”: ${entry.text}` } : { short: 'by hand', long: 'a hand, or a list' };
}
