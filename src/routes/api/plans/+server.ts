import { json } from '@sveltejs/kit';
import type { CheckedFile } from '$lib/server/jobs/plan-file-job';
import { bodyLimits, readBytes } from '$lib/server/read-json';
import { inOrder } from '$lib/core/store/snapshot';
import { route } from '$lib/server/respond';
import { workspaceStream } from '$lib/server/open-streams';

/**
 * The plans on the Shelf with what the Shelf shows of them as it was last made; those that are being read anew are named as pending, those that
 * cannot be read stand apart, with why.
 */
export const GET = route(async ({ locals: { services } }) => {
  const { byPlan, troubled, pending } = await services.summaries.list();
  const { snapshot } = services.writer.open(workspaceStream);
  const isTroubled = new Set(troubled.map(({ id }) => id));
  const plans = inOrder(snapshot.plan).flatMap(({ id, name, accountId, archivedOn, handedOffOn }) => {
    if (isTroubled.has(id)) return [];
    const account = snapshot.account.get(accountId);
    const client = account && snapshot.client.get(account.clientId);
    return [{ ...byPlan.get(id), id, name, client: client?.name, currency: account?.currency, archivedOn, handedOffOn }];
  });
  return json({ plans, troubled, pending });
});

/** Reads in a plan file. Fields that the format does not know are kept out, and named in the answer. */
export const POST = route(async ({ request, locals: { services } }) => {
  const body = await readBytes(request, bodyLimits.planFile);
  const checked = await services.jobs.run({ name: 'check-plan-file', body, query: {} });
  const { file, keptOut } = JSON.parse(new TextDecoder().decode(checked)) as CheckedFile;
  return json({ id: services.plans.readIn(file), keptOut }, { status: 201 });
});
