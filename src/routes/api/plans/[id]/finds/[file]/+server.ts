import { makeFindsTable } from '$lib/core/exchange/finds-table';
import { verdicts } from '$lib/core/records/find';
import { downloadAs } from '$lib/server/download';
import { RequestRefused } from '$lib/server/outcome';
import { route } from '$lib/server/respond';
import { layoutOf } from '$lib/core/layouts/layouts';
import { charsetOf, workbookType, writeTextFile, writeWorkbook } from '$lib/server/table-files/write-table-file';

/** The finds of a plan as CSV, TSV or XLSX, all of them or those of one verdict (`?verdict=`). */
export const GET = route(async ({ params, url, locals: { services } }) => {
  const view = services.plans.getView(params.id ?? '');
  const ending = /^finds\.(csv|tsv|xlsx)$/.exec(params.file ?? '')?.[1];
  if (ending !== 'csv' && ending !== 'tsv' && ending !== 'xlsx')
    throw new RequestRefused(404, 'no-such-table', 'Finds go out as finds.csv, finds.tsv or finds.xlsx.', 'name');
  const asked = url.searchParams.get('verdict') ?? 'all';
  const verdict = asked === 'all' ? asked : verdicts.find((one) => one === asked);
  if (!verdict) throw new RequestRefused(400, 'not-valid', `A verdict is one of ${verdicts.join(', ')}.`, 'verdict');
  const table = makeFindsTable(view, verdict);
  const layout = layoutOf(view.snapshot, view.plan.layoutKey);
  const body = ending === 'xlsx' ? await writeWorkbook([table]) : writeTextFile(table, layout, ending);
  const type = ending === 'xlsx' ? workbookType : `text/${ending === 'csv' ? 'csv' : 'tab-separated-values'}; charset=${charsetOf(layout)}`;
  const name = `${view.plan.name} finds ${services.plans.today(view.account.timeZone)}`;
  return new Response(body as Uint8Array<ArrayBuffer>, { headers: { 'content-type': type, ...downloadAs(name, `.${ending}`) } });
});
