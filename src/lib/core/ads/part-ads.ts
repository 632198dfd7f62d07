import { units } from '../text/text-length';
import { readAddress } from '../text/address';

/** A whole ad as it was pasted, parted into what it holds. */
export interface PartedAd {
  headlines: string[];
  descriptions: string[];
  path1: string;
  path2: string;
  landingPage: string;
}

/** What parts lines by length, and how many there may be. */
export interface AdRoom {
  headlines: { limit: number; most: number };
  descriptions: { most: number };
}

const label =
  /^(headline|title|überschrift|titel|overskrift|titre|título|description|beschreibung|beskrivelse|path|pfad|sti|chemin|ruta|page|landing page|final address|address|zielseite|landingsside|url)\s*(\d*)\s*(?::|\t|–|-\s)\s*/iu;
const kinds: readonly [RegExp, 'headlines' | 'descriptions' | 'path' | 'page'][] = [
  [/^(headline|title|überschrift|titel|overskrift|titre|título)/i, 'headlines'],
  [/^(description|beschreibung|beskrivelse)/i, 'descriptions'],
  [/^(path|pfad|sti|chemin|ruta)/i, 'path'],
  [/./, 'page'],
];
const looksLikePage = /^(?:https?:\/\/\S+|(?:[\p{L}\p{N}-]+\.)+\p{L}{2,}(?:\/\S*)?)$/iu;
/** Between headlines that stand in one line, as an ad is shown. */
const between = /\s+[|·•]\s+/;

class Parter {
  readonly ad: PartedAd = { headlines: [], descriptions: [], path1: '', path2: '', landingPage: '' };

  constructor(private readonly room: AdRoom) {}

  line(typed: string): void {
    const line = typed.replace(/^[\s•*·–-]+(?=\S)/u, '').trim();
    if (line === '') return;
    const said = label.exec(line);
    if (said) return this.labelled(kinds.find(([pattern]) => pattern.test(said[1]!))![1], line.slice(said[0].length).trim());
    if (looksLikePage.test(line)) return this.page(line);
    const parts = line.split(between);
    if (parts.length > 1 && parts.every((part) => units(part) <= this.room.headlines.limit)) return void this.ad.headlines.push(...parts);
    const isHeadline = units(line) <= this.room.headlines.limit && this.ad.descriptions.length === 0;
    this.ad[isHeadline ? 'headlines' : 'descriptions'].push(line);
  }

  private labelled(kind: 'headlines' | 'descriptions' | 'path' | 'page', text: string): void {
    if (text === '') return;
    if (kind === 'page') this.page(text);
    else if (kind !== 'path') this.ad[kind].push(text);
    else if (this.ad.path1 === '') this.ad.path1 = text;
    else this.ad.path2 = text;
  }

  /** A full address is the page; one without its scheme that ends in a word or two is how the address is shown. */
  private page(text: string): void {
    const isFull = /^https?:/i.test(text);
    const [, ...paths] = text.split('/').filter((part) => part !== '');
    if (!isFull && this.ad.path1 === '' && paths.length > 0 && paths.length <= 2) [this.ad.path1 = '', this.ad.path2 = ''] = paths;
    if (isFull || (this.ad.landingPage === '' && readAddress(text) && paths.length === 0)) this.ad.landingPage = text;
  }
}

/**
 * Whole ads out of a pasted text, parted at empty lines: lines are told apart by a label before them, by what they look like (an address), and
 * by length: what no headline holds is a description, and so is what comes after one. More lines than there is room for are kept: what is too many is a
 * finding.
 */
export function partAds(text: string, room: AdRoom): PartedAd[] {
  return text
    .split(/(?:\r\n?|\n)\s*(?:\r\n?|\n)/)
    .map((block) => {
      const parter = new Parter(room);
      for (const line of block.split(/[\r\n\t]+/)) parter.line(line);
      return parter.ad;
    })
    .filter(({ headlines, descriptions }) => headlines.length + descriptions.length > 0);
}
