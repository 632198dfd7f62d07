import { answerTables } from '$lib/server/table-routes';
import { route } from '$lib/server/respond';
import { workbookType } from '$lib/server/table-files/write-table-file';

/** All tables in one workbook, a sheet a table. */
export const GET = route((event) =>
  answerTables(event, 'all.xlsx', ({ plan, layout, today }) => ({
    type: workbookType,
    name: [plan.name, layout.name, today].join(' '),
    rest: '.xlsx',
  })),
);
