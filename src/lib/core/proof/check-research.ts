import { inOrder } from '../store/snapshot';
import { briefTexts, type PlanView } from '../view/plan-view';
import type { Find } from '../records/find';
import { findPhrase } from '../rules/word-lists';
import type { Check, Report, Mend } from './finding';

const blockAll = (finds: readonly Find[]): Mend => ({
  kind: 'offer',
  change: { type: 'judge', ids: finds.map(({ id }) => id), verdict: 'block' },
  data: { count: finds.length },
});

/** Kept finds that hold one of some phrases, as one report. */
function reportKept(view: PlanView, rule: 'research.rival-kept' | 'research.not-offered-kept', phrases: readonly string[]): Report[] {
  const held = inOrder(view.snapshot.find).filter(({ text, verdict }) => verdict === 'keep' && findPhrase(text, phrases));
  if (held.length === 0) return [];
  const words = [...new Set(held.map(({ text }) => findPhrase(text, phrases) ?? ''))];
  return [
    {
      rule,
      data: { count: held.length, words, finds: held.slice(0, 5).map(({ text }) => text) },
      mend: blockAll(held),
    },
  ];
}

/** Reads the finds and their verdicts. */
export const checkResearch: Check = (view) => {
  const finds = inOrder(view.snapshot.find);
  const open = finds.filter(({ verdict }) => verdict === 'open');
  const parked = new Set([...view.snapshot.parkedKeyword.values()].map(({ text }) => text));
  // What is parked was put off on purpose.
  const later = finds.filter(({ verdict, text }) => verdict === 'later' && !parked.has(text));
  const grouped = new Set([...view.snapshot.keyword.values()].map(({ text }) => text));
  const ungrouped = finds.filter(({ verdict, text }) => verdict === 'keep' && !grouped.has(text));
  const reports: Report[] = [];
  if (open.length + later.length > 0)
    reports.push({
      rule: 'research.not-judged',
      data: { open: open.length, later: later.length, all: finds.length },
    });
  if (ungrouped.length > 0)
    reports.push({
      rule: 'research.kept-ungrouped',
      data: { count: ungrouped.length, finds: ungrouped.slice(0, 5).map(({ text }) => text) },
    });
  return [
    ...reports,
    ...reportKept(view, 'research.rival-kept', briefTexts(view, 'rival')),
    ...reportKept(view, 'research.not-offered-kept', briefTexts(view, 'not-offered')),
  ];
};
