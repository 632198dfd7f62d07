import { Readable } from 'node:stream';
import { createGunzip } from 'node:zlib';
import { Parser } from 'htmlparser2';
import { bareAddress } from '$lib/core/records/page-condition';
import { hostOf } from '$lib/core/pages/site-pages';
import { readPageAddress } from '$lib/core/pages/read-feed';
import type { PageReader } from './page-reader';
import { PageRefused } from './page-source';

/** Limits of site maps: how many are read, how deep in each other, and how large each is once it is unpacked. */
export const mapLimits = { maps: 100, depth: 3, bytes: 50 * 1024 * 1024, address: 2048 };

/** What site maps tell. */
export interface MapRead {
  /** In full, each once, of the domain only. */
  addresses: string[];
  /** How many maps were read. */
  maps: number;
  /** Addresses of other domains, and maps of them. */
  otherDomain: number;
  /** Maps that could not be read, with the reason. */
  unread: { address: string; reason: string }[];
}

interface OneMap {
  addresses: string[];
  maps: string[];
}

const isPacked = (bytes: Uint8Array) => bytes[0] === 0x1f && bytes[1] === 0x8b;

/** The addresses of one map; it is unpacked and read piece by piece, and no further than the limit. */
async function parseMap(bytes: Uint8Array, most: number): Promise<OneMap> {
  const found: OneMap = { addresses: [], maps: [] };
  let [isMap, text, isLocation, size] = [false, '', false, 0];
  const parser = new Parser(
    {
      onopentag(name) {
        if (name === 'sitemap') isMap = true;
        if (name === 'url') isMap = false;
        isLocation = name === 'loc';
        if (isLocation) text = '';
      },
      ontext(part) {
        if (isLocation && text.length <= mapLimits.address) text += part;
      },
      onclosetag(name) {
        if (name !== 'loc') return;
        const list = isMap ? found.maps : found.addresses;
        if (list.length < most && text.trim() !== '') list.push(text.trim());
        isLocation = false;
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  const decoder = new TextDecoder();
  const take = (chunk: Uint8Array) => {
    size += chunk.length;
    if (size > mapLimits.bytes) throw new PageRefused('too-large', `The map is larger than ${mapLimits.bytes / 1024 / 1024} MB unpacked.`);
    parser.write(decoder.decode(chunk, { stream: true }));
    return found.addresses.length < most;
  };
  if (!isPacked(bytes)) take(bytes);
  else {
    const unpacked = Readable.from([bytes]).pipe(createGunzip());
    try {
      for await (const chunk of unpacked as AsyncIterable<Uint8Array>) if (!take(chunk)) break;
    } catch (error) {
      throw error instanceof PageRefused ? error : new PageRefused('no-html', 'The map is packed and cannot be unpacked.');
    }
  }
  parser.end();
  return found;
}

/**
 * Reads a site map, and the maps that it names: nested, compressed, of its own domain only, each once whatever they point at. Throws `PageRefused`
 * where the first is not to be had.
 */
export async function readSiteMap(
  reader: Pick<PageReader, 'readFile'>,
  start: string,
  { most, stop, onMap = () => {} }: { most: number; stop?: AbortSignal; onMap?: (read: MapRead) => void },
): Promise<MapRead> {
  const domain = hostOf(start);
  const read: MapRead = { addresses: [], maps: 0, otherDomain: 0, unread: [] };
  const seen = new Set<string>();
  const known = new Set<string>();
  const queue = [{ address: start, depth: 1 }];
  for (let next = queue.shift(); next && read.addresses.length < most && !stop?.aborted; next = queue.shift()) {
    const { address, depth } = next;
    const key = bareAddress(address);
    if (seen.has(key)) continue;
    seen.add(key);
    if (seen.size > mapLimits.maps) break;
    try {
      const file = await reader.readFile(address, stop);
      if (file.status !== 200) throw new PageRefused('not-found', `It answers ${file.status}.`);
      const one = await parseMap(file.bytes, most);
      read.maps++;
      for (const typed of one.addresses) {
        const page = readPageAddress(typed, domain);
        if (page === null || hostOf(page) !== domain) read.otherDomain++;
        else if (!known.has(bareAddress(page)) && read.addresses.length < most) {
          known.add(bareAddress(page));
          read.addresses.push(page);
        }
      }
      for (const typed of one.maps) {
        const map = readPageAddress(typed, domain);
        if (map === null || hostOf(map) !== domain) read.otherDomain++;
        else if (depth < mapLimits.depth) queue.push({ address: map, depth: depth + 1 });
        else read.unread.push({ address: map, reason: 'It stands too deep in other maps.' });
      }
      onMap(read);
    } catch (error) {
      if (!(error instanceof PageRefused) || read.maps === 0) throw error;
      read.unread.push({ address, reason: error.message });
    }
  }
  return read;
}
