import { json } from '@sveltejs/kit';
import { countAll, countByChapter } from '$lib/core/proof/count-findings';
import { route } from '$lib/server/respond';
import { wordFinding } from '$lib/wording/findings';

/** The proof of a plan, with its words. */
export const GET = route(({ params, locals: { services } }) => {
  const id = params.id ?? '';
  const { findings, aside, rules } = services.plans.getProof(id);
  const { currency } = services.plans.getView(id).account;
  const word = (finding: (typeof findings)[number]) => ({ ...finding, ...wordFinding(finding, currency) });
  return json({
    rules,
    counts: countAll(findings),
    chapters: countByChapter(findings),
    findings: findings.map(word),
    aside: aside.map(word),
  });
});
