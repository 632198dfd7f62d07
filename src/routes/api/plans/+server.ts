import { json } from '@sveltejs/kit';
import type { CheckedFile } from '$lib/server/jobs/plan-file-job';
import { bodyLimits, readBytes } from '$lib/server/read-json';
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

/** Reads in a plan file. Fields that the format does not know are kept out, and named in the answer. */
export const POST = route(async ({ request, locals: { services } }) => {
  const body = await readBytes(request, bodyLimits.planFile);
  const checked = await services.jobs.run({ name: 'check-plan-file', body, query: {} });
  const { file, keptOut } = JSON.parse(new TextDecoder().decode(checked)) as CheckedFile;
  return json({ id: services.plans.readIn(file), keptOut }, { status: 201 });
});
