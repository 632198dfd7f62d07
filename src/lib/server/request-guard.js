/**
 * Who may talk to the server. Plain JavaScript, because the small HTTP server around the built
 * application uses it too, for the files that never reach a route.
 */

const ownNames = new Set(['127.0.0.1', 'localhost', '[::1]']);
const readingMethods = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Headers that every answer carries; the content security policy is added by the framework. */
export const securityHeaders = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
};

/**
 * Judges a request by its Host and, for writes, its Origin.
 * Judges also where a browser says that a request comes from: another site, or another port of this computer, may only lead here.
 * @param {{ method: string, host: string | null, origin: string | null, port: string | null, site?: string | null, mode?: string | null }} request
 *   `port` is the server's own port, or null where it is not known (development); `site` and `mode` are what `Sec-Fetch-Site` and
 *   `Sec-Fetch-Mode` say, which older browsers and other programs do not.
 * @returns {{ code: 'foreign-host' | 'foreign-origin' | 'foreign-site', message: string } | null} null: let it in.
 */
export function findRefusal({ method, host, origin, port, site = null, mode = null }) {
  const [, name = '', hostPort = '80'] = /^(\[[^\]]+\]|[^:]+)(?::(\d+))?$/.exec(host ?? '') ?? [];
  if (!ownNames.has(name.toLowerCase()) || (port !== null && hostPort !== port))
    return { code: 'foreign-host', message: 'This server answers on its own address only.' };
  if (!readingMethods.has(method) && origin?.toLowerCase() !== `http://${host}`.toLowerCase())
    return { code: 'foreign-origin', message: 'Writes must come from Biblion’s own pages (Origin).' };
  const isFromElsewhere = site === 'cross-site' || site === 'same-site';
  if (isFromElsewhere && !(mode === 'navigate' && method === 'GET'))
    return { code: 'foreign-site', message: 'Other sites may lead here, and read nothing.' };
  return null;
}
