import { json } from '@sveltejs/kit';
import { checkPlanFile } from '$lib/core/exchange/check-plan-file';
import { RequestRefused } from '$lib/server/outcome';
import { bodyLimits, readAnyJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';
import { workspaceStream } from '$lib/server/open-streams';

/** The plans on the Shelf with what the Shelf shows of them; those that cannot be read stand apart, with why. */
export const GET = route(({ locals: { services } }) => {
  const { snapshot } = services.writer.open(workspaceStream);
  const { summaries, troubled } = services.plans.listSummaries();
  const plans = summaries.map((summary) => {
    const plan = snapshot.plan.get(summary.id);
    const account = plan && snapshot.account.get(plan.accountId);
    const client = account && snapshot.client.get(account.clientId);
    return {
      ...summary,
      name: plan?.name,
      client: client?.name,
      currency: account?.currency,
      archivedOn: plan?.archivedOn,
      handedOffOn: plan?.handedOffOn,
    };
  });
  return json({ plans, troubled });
});

const mostNamed = 100;

/** Reads in a plan file. Fields that the format does not know are kept out, and named in the answer. */
export const POST = route(async ({ request, locals: { services } }) => {
  const checked = checkPlanFile(await readAnyJson(request, bodyLimits.planFile));
  if (!checked.ok) throw new RequestRefused(422, checked.code, checked.message, checked.path);
  return json({ id: services.plans.readIn(checked.file), keptOut: checked.keptOut.slice(0, mostNamed) }, { status: 201 });
});
