import type { RequestEvent } from '@sveltejs/kit';
import type { Plan } from '$lib/core/records/plan';
import type { Layout } from '$lib/core/records/layout';
import { downloadAs } from './download';

/** Has a file of a plan's tables made, in the plan's layout or the one `?layout=` names, and answers it under a name and a type. */
export async function answerTables(
  { params, url, locals: { services } }: RequestEvent,
  file: string,
  describe: (of: { plan: Plan; layout: Layout; today: string }) => { type: string; name: string; rest: string },
): Promise<Response> {
  const planId = params.id ?? '';
  const { plan, layout } = services.plans.getLayout(planId, url.searchParams.get('layout'));
  const today = services.plans.todayOf(plan);
  const query = { planId, layout: layout.id, today, file };
  const body = await services.jobs.run({ name: 'tables', body: new Uint8Array(), query });
  const { type, name, rest } = describe({ plan, layout, today });
  return new Response(body as Uint8Array<ArrayBuffer>, { headers: { 'content-type': type, ...downloadAs(name, rest) } });
}
