import { json } from '@sveltejs/kit';
import * as z from 'zod';
import { currency } from '$lib/core/records/fields';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const body = z.strictObject({
  currency,
  /** How many units of it one unit of the account's currency makes; null: figures stay as they are. */
  rate: z.number().positive().max(1_000_000).nullable(),
});

/** Gives an account another currency; what becomes of amounts has to be said. */
export const POST = route(async ({ params, request, locals: { services } }) => {
  services.plans.changeCurrency(params.id ?? '', await readJson(request, body));
  return json({ ok: true });
});
