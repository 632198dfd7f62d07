import type { Finding } from '$lib/core/proof/finding';
import { severities } from '$lib/core/proof/rule-list';
import { countOf } from '$lib/wording/texts';
import type { PlanState } from '../state/plan-state.svelte';

/** Findings of each severity that are drawn at first; a plan that was pasted together can have thousands. */
const shownAtOnce = 200;

/** The chapter Proof: the findings by severity, the one at hand, and what can be done about it. */
export class ProofState {
  mostShown = $state(shownAtOnce);
  private currentId = $state('');
  /** The finding that is to be set aside, while its reason is asked for. */
  aside = $state.raw<Finding | null>(null);
  reason = $state('');

  readonly proof = $derived.by(() => this.planState.reader.proof);
  readonly bySeverity = $derived.by(() =>
    severities.map((severity) => ({ severity, findings: this.proof.findings.filter((finding) => finding.severity === severity) })),
  );
  /** Findings whose mending changes no meaning. */
  readonly safe: readonly Finding[] = $derived.by(() => this.proof.findings.filter(({ mend }) => mend?.kind === 'safe'));
  /** How many rules found nothing. */
  readonly quiet: number = $derived.by(() => this.proof.rules - new Set(this.proof.findings.map(({ rule }) => rule)).size);
  readonly current: Finding | null = $derived.by(
    () => this.proof.findings.find(({ id }) => id === this.currentId) ?? this.proof.findings[0] ?? null,
  );
  /** What was read, and how long it took. */
  readonly readOver: string = $derived.by(() => {
    const { snapshot, reader } = this.planState;
    const read = [
      countOf(snapshot.campaign.size, 'campaign'),
      countOf(snapshot.group.size, 'group'),
      countOf(snapshot.keyword.size, 'keyword'),
    ];
    const seconds = (reader.milliseconds / 1000).toFixed(2);
    return `${this.proof.rules} rules read over ${read.join(', ')} and ${countOf(snapshot.ad.size, 'ad')} in ${seconds} s`;
  });

  constructor(private readonly planState: PlanState) {}

  /** Makes a finding the one at hand, and has it drawn. */
  choose(finding: Finding): void {
    this.currentId = finding.id;
    const own = this.proof.findings.filter(({ severity }) => severity === finding.severity);
    this.mostShown = Math.max(this.mostShown, own.indexOf(finding) + 1);
  }

  /** The finding so many further on, or the last one there is on the way. */
  further(by: number): Finding | undefined {
    const at = this.proof.findings.findIndex(({ id }) => id === this.current?.id);
    return this.proof.findings[Math.max(0, Math.min(this.proof.findings.length - 1, at + by))];
  }

  /** Mends the finding at hand; answers the one to go on with. Undefined where it cannot be mended by itself, or none is left. */
  mendCurrent(): Finding | undefined {
    const { current, proof } = this;
    if (!current?.mend) return undefined;
    const at = proof.findings.indexOf(current);
    const next = proof.findings[at + 1] ?? proof.findings[at - 1];
    this.planState.mend(current);
    return next;
  }

  /** Asks why a finding may stand; null asks no more. */
  askAside(finding: Finding | null): void {
    this.aside = finding;
    this.reason = '';
  }

  /** Sets the finding asked about aside; without a reason nothing is done. */
  setAside(): void {
    if (!this.aside || this.reason.trim() === '') return;
    this.planState.setAside(this.aside, this.reason.trim());
    this.aside = null;
  }
}
