import type { Change } from '../store/changes';
import { digestOf } from '../text/digest';
import type { PlanView } from '../view/plan-view';
import { ruleList, type Chapter, type RuleId, type Severity } from './rule-list';

/** What a rule found, from which the wording is made. */
export type FindingData = Readonly<Record<string, string | number | boolean | null | readonly string[]>>;

/** Where a finding leads; each field as far as it goes. */
export interface Where {
  campaignId?: string;
  groupId?: string;
  adId?: string;
  /** The record type's field that the finding concerns. */
  field?: string;
}

/** A mend: safe ones are mechanical and lose nothing; an offer is shown and taken one by one. */
export interface Mend {
  kind: 'safe' | 'offer';
  change: Change;
  /** Data for the words on the button. */
  data: FindingData;
}

/** Something that a rule has to say about the plan. */
export interface Finding {
  /** Stable while the finding lasts. */
  id: string;
  rule: RuleId;
  severity: Severity;
  chapter: Chapter;
  where: Where;
  /** The row it concerns, or empty for the plan as a whole. */
  record: string;
  data: FindingData;
  /** Changes when the data change, which brings back what was set aside. */
  digest: string;
  mend: Mend | null;
}

/** What a check says; the rest of a finding follows from its rule. */
export interface Report {
  rule: RuleId;
  where?: Where;
  record?: string;
  data?: FindingData;
  mend?: Mend | null;
  /** Where one rule may find differently grave things. */
  severity?: Severity;
}

/** A check reads the plan and reports what it finds. */
export type Check = (view: PlanView, today: string) => Report[];

/** The finding that a report makes. */
export function findingOf({ rule, where = {}, record = '', data = {}, mend = null, severity }: Report): Finding {
  const { chapter, severity: usual } = ruleList[rule];
  return {
    id: `${rule} ${record} ${where.field ?? ''}`.trim(),
    rule,
    severity: severity ?? usual,
    chapter,
    where,
    record,
    data,
    digest: digestOf(JSON.stringify([severity ?? usual, data])),
    mend,
  };
}
