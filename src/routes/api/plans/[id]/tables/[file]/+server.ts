import { answerTables } from '$lib/server/table-routes';
import { route } from '$lib/server/respond';
import { charsetOf, workbookType } from '$lib/server/table-files/write-table-file';

/** One table as CSV, TSV or XLSX, in the plan's layout or the one `?layout=` names. Rows that a finding holds back are left out. */
export const GET = route((event) => {
  const file = event.params.file ?? '';
  return answerTables(event, file, ({ plan, layout }) => {
    const text = file.endsWith('.csv') ? 'text/csv' : 'text/tab-separated-values';
    const type = file.endsWith('.xlsx') ? workbookType : `${text}; charset=${charsetOf(layout)}`;
    return { type, name: plan.name, rest: `-${file}` };
  });
});
