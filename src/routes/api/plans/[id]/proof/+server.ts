import { route } from '$lib/server/respond';

/** The proof of a plan, with its words. */
export const GET = route(async ({ params, locals: { services } }) => {
  const planId = params.id ?? '';
  const query = { planId, today: services.plans.todayOf(services.plans.getPlan(planId)) };
  const proof = await services.jobs.run({ name: 'proof', body: new Uint8Array(), query });
  return new Response(proof as Uint8Array<ArrayBuffer>, { headers: { 'content-type': 'application/json' } });
});
