import { nextPosition, type Snapshot } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import type { RecordName } from '../records/record-type';
import { adUnits } from './check-ads';
import { checkAmounts } from './check-amounts';
import { checkBrief } from './check-brief';
import { checkExtras } from './check-extras';
import { checkForecast } from './check-forecast';
import { groupUnits } from './check-groups';
import { pageUnits } from './check-pages';
import { checkResearch } from './check-research';
import { checkSettings } from './check-settings';
import { digestOf } from '../text/digest';
import { findingOf, type Check, type Finding, type Mend } from './finding';
import { chapters, ruleList, severities } from './rule-list';
import { constantsOf, type ProofUnit, type Units } from './proof-unit';

/** The proof of a plan: what stands, and what was set aside. */
export interface Proof {
  findings: Finding[];
  aside: Finding[];
  /** How many rules were read. */
  rules: number;
}

/** What every reading of a proof gave, as it can be written as JSON: of units those that found something. */
export interface KeptProof {
  checks: readonly { key: string; records: readonly RecordName[]; findings: readonly Finding[] }[];
  units: readonly (readonly [key: string, findings: readonly Finding[]])[];
}

/** What one reading gave, and what it rests on. */
interface Kept {
  deps: readonly unknown[];
  /** Records that a whole check was seen to read, as they were. */
  records: ReadonlyMap<RecordName, unknown>;
  findings: readonly Finding[];
}

const sources: readonly ({ key: string; check: Check } | { units: Units })[] = [
  { key: 'brief', check: checkBrief },
  { key: 'settings', check: checkSettings },
  { key: 'amounts', check: checkAmounts },
  { key: 'research', check: checkResearch },
  { units: groupUnits },
  { units: pageUnits },
  { units: adUnits },
  { key: 'extras', check: checkExtras },
  { key: 'forecast', check: checkForecast },
];

const areSame = (one: readonly unknown[], other: readonly unknown[]) =>
  one.length === other.length && one.every((value, index) => value === other[index]);
const noRecords: Kept['records'] = new Map();

/**
 * Keeps the proof of a plan up to date: after an edit only the units that it touches are read again.
 * What comes out is the same as of a keeper that reads the plan for the first time.
 */
export class ProofKeeper {
  private kept = new Map<string, Kept>();

  /** Reads every rule over the plan. `today` is a local date, yyyy-MM-dd. Gravest first, then in chapter order. */
  read(view: PlanView, today: string): Proof {
    const next = new Map<string, Kept>();
    for (const source of sources) {
      if ('check' in source) next.set(source.key, this.check(source.key, source.check, view, today));
      else for (const unit of source.units(view, today)) next.set(unit.key, this.unit(unit));
    }
    this.kept = next;
    return arrange(view, [...next.values()]);
  }

  /** What was found, for keeping. */
  keep(): KeptProof {
    const wholes = new Set(sources.flatMap((source) => ('check' in source ? [source.key] : [])));
    const kept = [...this.kept];
    return {
      checks: kept.flatMap(([key, { records, findings }]) => (wholes.has(key) ? [{ key, records: [...records.keys()], findings }] : [])),
      units: kept.flatMap(([key, { findings }]) => (wholes.has(key) || findings.length === 0 ? [] : [[key, findings] as const])),
    };
  }

  /** Takes over what a keeper found that read this very plan on this very day; only what changes afterwards is read. */
  restore(view: PlanView, today: string, { checks, units }: KeptProof): void {
    const checkDeps = [...constantsOf(view), today];
    const found = new Map(units);
    this.kept = new Map(
      checks.map(({ key, records, findings }) => [
        key,
        { deps: checkDeps, records: new Map(records.map((record) => [record, view.snapshot[record]])), findings },
      ]),
    );
    for (const source of sources)
      if ('units' in source)
        for (const { key, deps } of source.units(view, today))
          this.kept.set(key, { deps, records: noRecords, findings: found.get(key) ?? [] });
  }

  private unit({ key, deps, read }: ProofUnit): Kept {
    const kept = this.kept.get(key);
    return kept && areSame(kept.deps, deps) ? kept : { deps, records: noRecords, findings: read().map(findingOf) };
  }

  /** A check that reads many rows lightly: it rests on every record that it was seen to read. */
  private check(key: string, check: Check, view: PlanView, today: string): Kept {
    const deps = [...constantsOf(view), today];
    const kept = this.kept.get(key);
    if (kept && areSame(kept.deps, deps) && [...kept.records].every(([record, rows]) => view.snapshot[record] === rows)) return kept;
    const records = new Map<RecordName, unknown>();
    const watched = new Proxy(view.snapshot, {
      get(snapshot: Snapshot, record: RecordName) {
        records.set(record, snapshot[record]);
        return snapshot[record];
      },
    });
    return { deps, records, findings: check({ ...view, snapshot: watched }, today).map(findingOf) };
  }
}

const placeOf = ({ severity, chapter }: Finding) => severities.indexOf(severity) * chapters.length + chapters.indexOf(chapter);

const joined = new WeakMap<Finding, { count: number; position: number; finding: Finding }>();

/**
 * A word in capitals is one thing to decide, however many lines hold it: one finding leads to the first of them, and one mend puts the word on
 * the brief's list. The same finding as long as it is the same.
 */
function joinCapitals(view: PlanView, findings: readonly Finding[]): Finding[] {
  const counts = new Map<string, number>();
  const wordOf = ({ data }: Finding) => String(data.word);
  for (const finding of findings) if (finding.rule === 'ads.capitals') counts.set(wordOf(finding), (counts.get(wordOf(finding)) ?? 0) + 1);
  if (counts.size === 0) return [...findings];
  const position = nextPosition(view.snapshot.briefItem.values());
  const seen = new Set<string>();
  return findings.flatMap((finding) => {
    if (finding.rule !== 'ads.capitals') return [finding];
    const word = wordOf(finding);
    if (seen.has(word)) return [];
    seen.add(word);
    const count = counts.get(word) ?? 1;
    const known = joined.get(finding);
    if (known?.count === count && known.position === position) return [known.finding];
    const digest = digestOf(word);
    const row = { id: `always-${digest}`, kind: 'always', text: word, position };
    const mend: Mend = { kind: 'offer', change: { type: 'add', record: 'briefItem', rows: [row] }, data: { word } };
    const one = { ...finding, id: `ads.capitals ${word}`, digest, data: { ...finding.data, count }, mend };
    joined.set(finding, { count, position, finding: one });
    return [one];
  });
}

/** All findings in their order, those set aside apart. */
function arrange(view: PlanView, kept: readonly Kept[]): Proof {
  const places: Finding[][] = Array.from({ length: severities.length * chapters.length }, () => []);
  for (const { findings } of kept) for (const finding of findings) places[placeOf(finding)]!.push(finding);
  const all = joinCapitals(view, places.flat());
  const setAside = new Set([...view.snapshot.setAside.values()].map(({ rule, record, digest }) => `${rule} ${record} ${digest}`));
  const isAside = ({ rule, record, digest }: Finding) => setAside.size > 0 && setAside.has(`${rule} ${record} ${digest}`);
  return {
    findings: all.filter((finding) => !isAside(finding)),
    aside: all.filter(isAside),
    rules: Object.keys(ruleList).length,
  };
}
