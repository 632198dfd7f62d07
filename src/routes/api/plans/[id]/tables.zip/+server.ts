import { downloadAs } from '$lib/server/download';
import { route } from '$lib/server/respond';
import { writeArchive } from '$lib/server/table-files/write-table-file';

/** All tables as text files in one archive, numbered in the order of loading. */
export const GET = route(({ params, url, locals: { services } }) => {
  const { view, tables, layout } = services.plans.getTables(params.id ?? '', url.searchParams.get('layout'));
  return new Response(writeArchive(tables, layout) as Uint8Array<ArrayBuffer>, {
    headers: {
      'content-type': 'application/zip',
      ...downloadAs([view.plan.name, layout.name, services.plans.today(view.account.timeZone)].join(' '), '.zip'),
    },
  });
});
