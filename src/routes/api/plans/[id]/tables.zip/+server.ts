import { answerTables } from '$lib/server/table-routes';
import { route } from '$lib/server/respond';

/** All tables as text files in one archive, numbered in the order of loading. */
export const GET = route((event) =>
  answerTables(event, 'all.zip', ({ plan, layout, today }) => ({
    type: 'application/zip',
    name: [plan.name, layout.name, today].join(' '),
    rest: '.zip',
  })),
);
