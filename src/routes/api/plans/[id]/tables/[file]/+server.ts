import { downloadAs } from '$lib/server/download';
import { RequestRefused } from '$lib/server/outcome';
import { route } from '$lib/server/respond';
import { charsetOf, workbookType, writeTextFile, writeWorkbook } from '$lib/server/table-files/write-table-file';

const types = {
  csv: 'text/csv',
  tsv: 'text/tab-separated-values',
} as const;

/** One table as CSV, TSV or XLSX, in the plan's layout or the one `?layout=` names. Rows that a finding holds back are left out. */
export const GET = route(async ({ params, url, locals: { services } }) => {
  const { view, tables, layout } = services.plans.getTables(params.id ?? '', url.searchParams.get('layout'));
  const [, name, ending] = /^(.*)\.(csv|tsv|xlsx)$/.exec(params.file ?? '') ?? [];
  const table = tables.find((one) => one.name === name);
  if (!table || (ending !== 'csv' && ending !== 'tsv' && ending !== 'xlsx'))
    throw new RequestRefused(
      404,
      'no-such-table',
      `Tables are ${tables.map((one) => one.name).join(', ')}, as .csv, .tsv or .xlsx.`,
      'name',
    );
  const body = ending === 'xlsx' ? await writeWorkbook([table]) : writeTextFile(table, layout, ending);
  const type = ending === 'xlsx' ? workbookType : `${types[ending]}; charset=${charsetOf(layout)}`;
  return new Response(body as Uint8Array<ArrayBuffer>, {
    headers: { 'content-type': type, ...downloadAs(view.plan.name, `-${table.name}.${ending}`) },
  });
});
