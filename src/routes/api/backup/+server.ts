import { downloadAs } from '$lib/server/download';
import { route } from '$lib/server/respond';

/** The whole data file as it stands, all clients and plans. */
export const GET = route(({ locals: { services } }) => {
  const day = services.plans.today('UTC');
  return new Response(services.backUp() as Uint8Array<ArrayBuffer>, {
    headers: { 'content-type': 'application/vnd.sqlite3', ...downloadAs('biblion', `-${day}.sqlite`) },
  });
});
