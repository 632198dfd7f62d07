import { writeDelimited } from '$lib/core/exchange/cells';
import { makeTable, tableNames } from '$lib/core/exchange/tables';
import { downloadAs } from '$lib/server/download';
import { RequestRefused } from '$lib/server/outcome';
import { route } from '$lib/server/respond';

const kinds = {
  csv: { delimiter: ',', type: 'text/csv; charset=utf-8' },
  tsv: { delimiter: '\t', type: 'text/tab-separated-values; charset=utf-8' },
} as const;

/** One table as CSV or TSV. Rows that a finding holds back are left out. */
export const GET = route(({ params, locals: { services } }) => {
  const [, tableName, ending] = /^(.*)\.(csv|tsv)$/.exec(params.file ?? '') ?? [];
  const name = tableNames.find((known) => known === tableName);
  if (!name || (ending !== 'csv' && ending !== 'tsv'))
    throw new RequestRefused(404, 'no-such-table', `Tables are ${tableNames.join(', ')}, as .csv or .tsv.`, 'name');
  const id = params.id ?? '';
  const view = services.plans.getView(id);
  const { columns, rows } = makeTable(name, view, services.plans.getProof(id).findings);
  const { delimiter, type } = kinds[ending];
  return new Response(writeDelimited([columns, ...rows], delimiter), {
    headers: { 'content-type': type, ...downloadAs(view.plan.name, `-${name}.${ending}`) },
  });
});
