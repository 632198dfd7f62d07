import type { RecordName, Row } from '$lib/core/records/record-type';
import { emptySnapshot, applyEdits, snapshotOf, inOrder, type Snapshot, type RowEdit } from '$lib/core/store/snapshot';
import { planFileSchema, type PlanFile } from '$lib/core/exchange/plan-file';
import { readPlanFile } from '$lib/core/exchange/read-plan-file';
import { findPlanView, type PlanView } from '$lib/core/view/plan-view';
import type { Change } from '$lib/core/store/changes';
import type { RecordTypes } from '$lib/core/records/record-types';
import { recordsOf } from '$lib/core/records/record-types';

/** The day on which the tests read. */
export const today = '2026-12-21';

const kirn = { kind: 'city' as const, name: 'Edinburgh', country: 'GB', latitude: 55.95, longitude: -3.2, radiusKm: 20, excluded: false };
const line = (text: string, fixedAt: number | null = null) => ({ text, fixedAt });

const ad = (name: string, headlines: string[], descriptions: string[]) => ({
  name,
  format: 'responsive' as const,
  masterName: '',
  path1: 'tuning',
  path2: '',
  landingPage: '',
  headlines: headlines.map((text) => line(text)),
  descriptions: descriptions.map((text) => line(text)),
});

/** A small plan whose proof reads clean. */
export const cleanFile: PlanFile = planFileSchema.parse({
  format: 'biblion-plan',
  version: 1,
  name: 'Clean plan',
  client: { name: 'Ottlemere Piano Workshop', site: 'ottlemere.example' },
  account: { currency: 'GBP', timeZone: 'Europe/London' },
  brief: {
    goal: 'leads',
    offer: 'Piano tuning',
    landingPage: 'ottlemere.example/tuning',
    languages: ['en'],
    monthlyMinor: 90_000,
    startsOn: '2027-01-12',
    valueMinor: 9600,
    margin: '62 %',
    buyShare: '1 in 2',
    clickRate: '6.5 %',
    countsConversions: true,
    facts: ['Fixed price'],
    notOffered: [],
    rivals: ['Brindlemoor Pianos'],
    always: ['UK'],
    proofs: [],
    offers: [{ name: 'Pitch raise in two visits', priceMinor: 14_000, endsOn: null }],
    slotWords: [{ slot: 'visit', says: 'evening visit' }],
    places: [kirn],
  },
  campaigns: [
    {
      name: 'leads_edinburgh_search_tuning',
      nameIsTyped: false,
      goal: 'leads',
      placeWord: 'edinburgh',
      themeWord: 'tuning',
      placeSaid: '',
      partnerSites: false,
      whoCounts: 'there',
      languages: ['en'],
      monthlyMinor: 90_000,
      bidding: 'by-hand',
      bidMinor: 160,
      hours: [],
      startsOn: '2027-01-12',
      endsOn: null,
      rotation: 'even',
      places: [kirn],
      negatives: [],
      extras: [],
      groups: [
        {
          name: 'Piano tuning',
          theme: 'piano tuning',
          defaultBidMinor: 160,
          defaultMatch: 'phrase',
          landingPage: '',
          offer: null,
          keywords: ['piano tuning', 'piano tuner', 'tune a piano'].map((text) => ({ text, match: 'phrase', bidMinor: null })),
          negatives: [],
          ads: [
            ad(
              'A',
              ['Piano Tuning', 'A Fixed Price', 'Tuner at Your Door'],
              ['We tune uprights and grands at one price.', 'Ask for a date today.'],
            ),
            ad(
              'B',
              ['[[keyword|Piano Tuner|title]]', 'Tuning at Home', 'Hear It in Tune'],
              ['One visit, a price fixed before, and a date that suits.', 'Evenings too.'],
            ),
          ],
        },
      ],
    },
  ],
  negatives: [{ text: 'free', match: 'phrase' }],
  extras: [
    { kind: 'sitelink', text: 'Prices', description1: '', description2: '', address: 'ottlemere.example/prices' },
    { kind: 'sitelink', text: 'Pitch raise', description1: '', description2: '', address: 'ottlemere.example/pitch-raise' },
    { kind: 'callout', text: 'Evening visits', description1: '', description2: '', address: '' },
  ],
  finds: [
    { text: 'piano tuning', searchesLow: 900, searchesHigh: 1300, bidLowMinor: 80, bidHighMinor: 210, verdict: 'keep', source: 'pasted' },
  ],
  setAside: [],
});

/** Ids in the order in which they are asked for: `id1`, `id2` … */
export function countingIds(prefix = 'id'): () => string {
  let count = 0;
  return () => `${prefix}${++count}`;
}

/** The workspace rows that a plan stands on. */
export function workspaceRows(file: PlanFile, planId: string) {
  return {
    client: [{ id: 'client', ...file.client, position: 0 }],
    account: [{ id: 'account', clientId: 'client', ...file.account, position: 0 }],
    plan: [
      {
        id: planId,
        accountId: 'account',
        name: file.name,
        createdOn: today,
        archivedOn: null,
        handedOffOn: null,
        layoutKey: 'plain',
        ruleSetKey: 'search-2026',
        position: 0,
      },
    ],
  };
}

/** The snapshot of a plan file, with its client, account and plan row. */
export function snapshotOfFile(file: PlanFile, planId = 'plan', newId = countingIds()): Snapshot {
  return snapshotOf({ ...readPlanFile(file, planId, newId), ...workspaceRows(file, planId) });
}

/** Plan rows alone, as a plan's stream holds them. */
export function planSnapshotOf(file: PlanFile): Snapshot {
  const whole = snapshotOfFile(file);
  return { ...emptySnapshot(), ...Object.fromEntries(recordsOf('plan').map((record) => [record, whole[record]])) } as Snapshot;
}

/** The view of a snapshot; the tests' caller made sure that the plan is in it. */
export function viewOf(snapshot: Snapshot, planId = 'plan'): PlanView {
  const view = findPlanView(snapshot, planId);
  if (!view) throw new Error('The plan is not in the book.');
  return view;
}

/** The first row of a record, or the one at a place in its order. */
export function row<Name extends RecordName>(snapshot: Snapshot, record: Name, index = 0): RecordTypes[Name] {
  const found = (inOrder(snapshot[record] as ReadonlyMap<string, { id: string }>) as unknown as RecordTypes[Name][])[index];
  if (!found) throw new Error(`There is no ${record} at ${index}.`);
  return found;
}

/** The snapshot with fields of a row changed. */
export function change<Name extends RecordName>(snapshot: Snapshot, record: Name, fields: Partial<RecordTypes[Name]>, index = 0): Snapshot {
  const before = row(snapshot, record, index);
  return applyEdits(snapshot, [{ record, id: before.id, before, after: { ...before, ...fields } } as unknown as RowEdit]);
}

/** The snapshot with a row more, made like another one. */
export function addLike<Name extends RecordName>(
  snapshot: Snapshot,
  record: Name,
  fields: Partial<RecordTypes[Name]>,
  index = 0,
): Snapshot {
  const after = {
    ...row(snapshot, record, index),
    id: `new-${record}-${snapshot[record].size}`,
    position: 100 + snapshot[record].size,
    ...fields,
  };
  return applyEdits(snapshot, [{ record, id: after.id, before: null, after } as unknown as RowEdit]);
}

/** The snapshot without a row. */
export function drop<Name extends RecordName>(snapshot: Snapshot, record: Name, index = 0): Snapshot {
  const before = row(snapshot, record, index);
  return applyEdits(snapshot, [{ record, id: before.id, before, after: null } as unknown as RowEdit]);
}

/** The change that adds every row of a plan's snapshot, parents first. */
export function firstDraft(snapshot: Snapshot): Change {
  const changes = recordsOf('plan').flatMap((record) => {
    const rows = [...snapshot[record].values()] as unknown as Row[];
    return rows.length > 0 ? [{ type: 'add' as const, record, rows }] : [];
  });
  return { type: 'several', name: 'first-draft', changes };
}
