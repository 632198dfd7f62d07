import { countedReports } from '../finds/counted-reports';
import type { Lead } from '../records/lead';
import type { Snapshot } from '../store/snapshot';
import { sameName } from './group-names';

/** Where conversions of one day came from. */
interface Converting {
  text: string;
  groupName: string;
}

/** Of some names the one, where all are the same; empty else. */
const theOnly = (names: readonly string[]): string => (new Set(names).size === 1 ? names[0]! : '');

/**
 * The leads of the client's list, each with its term and group as far as anybody can know: one that names a day but no term is of the only term that
 * converted on it, in its group where the list names that; where several converted nobody knows which.
 */
export function placedLeads(
  snapshot: Pick<Snapshot, 'lead' | 'report' | 'reportRow'>,
): Pick<Lead, 'text' | 'groupName' | 'quality' | 'soldMinor'>[] {
  const leads = [...snapshot.lead.values()];
  if (leads.every(({ text, day }) => text !== '' || day === null)) return leads;
  const byDay = new Map<string, Converting[]>();
  for (const { day, conversions, text, groupName } of countedReports(snapshot).rows.values()) {
    if (day === null || !conversions) continue;
    const known = byDay.get(day);
    if (known) known.push({ text, groupName });
    else byDay.set(day, [{ text, groupName }]);
  }
  return leads.map((lead) => {
    if (lead.text !== '' || lead.day === null) return lead;
    const own = (byDay.get(lead.day) ?? []).filter(
      ({ groupName }) => lead.groupName === '' || sameName(groupName) === sameName(lead.groupName),
    );
    return {
      ...lead,
      text: theOnly(own.map(({ text }) => text)),
      groupName: lead.groupName || theOnly(own.map(({ groupName }) => groupName)),
    };
  });
}
