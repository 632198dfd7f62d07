import { downloadAs } from '$lib/server/download';
import { route } from '$lib/server/respond';
import { workbookType, writeWorkbook } from '$lib/server/table-files/write-table-file';

/** All tables in one workbook, a sheet a table. */
export const GET = route(async ({ params, url, locals: { services } }) => {
  const { view, tables, layout } = services.plans.getTables(params.id ?? '', url.searchParams.get('layout'));
  return new Response((await writeWorkbook(tables)) as Uint8Array<ArrayBuffer>, {
    headers: {
      'content-type': workbookType,
      ...downloadAs([view.plan.name, layout.name, services.plans.today(view.account.timeZone)].join(' '), '.xlsx'),
    },
  });
});
