import { json } from '@sveltejs/kit';
import { planFileSchema } from '$lib/core/exchange/plan-file';
import { bodyLimits, readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';
import { workspaceStream } from '$lib/server/write-door';

/** The plans on the Shelf with what the Shelf shows of them. */
export const GET = route(({ locals: { services } }) => {
  const { book } = services.door.open(workspaceStream);
  const plans = services.plans.listSummaries().map((summary) => {
    const plan = book.plan.get(summary.id);
    const account = plan && book.account.get(plan.accountId);
    const client = account && book.client.get(account.clientId);
    return {
      ...summary,
      name: plan?.name,
      client: client?.name,
      currency: account?.currency,
      archivedOn: plan?.archivedOn,
      handedOffOn: plan?.handedOffOn,
    };
  });
  return json({ plans });
});

/** Reads in a plan file. */
export const POST = route(async ({ request, locals: { services } }) => {
  const file = await readJson(request, planFileSchema, bodyLimits.planFile);
  return json({ id: services.plans.readIn(file) }, { status: 201 });
});
