import { writeDelimited } from '$lib/core/exchange/cells';
import { makeTables } from '$lib/core/exchange/tables';
import { downloadAs } from '$lib/server/download';
import { route } from '$lib/server/respond';
import { strToU8, zipSync } from 'fflate';

/** All tables as CSV files in one archive, numbered in the order of loading. */
export const GET = route(({ params, locals: { services } }) => {
  const id = params.id ?? '';
  const view = services.plans.getView(id);
  const tables = makeTables(view, services.plans.getProof(id).findings);
  const files = tables.map(({ name, columns, rows }, index) => [
    `${index + 1}-${name}.csv`,
    strToU8(writeDelimited([columns, ...rows], ',')),
  ]);
  const archive = zipSync(Object.fromEntries(files) as Record<string, Uint8Array>);
  return new Response(archive, { headers: { 'content-type': 'application/zip', ...downloadAs(view.plan.name, '-tables.zip') } });
});
