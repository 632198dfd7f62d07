import type Sqlite from 'better-sqlite3';
import type { FoundPlace } from '$lib/core/places/found-place';
import { findCountryOfZone } from '$lib/core/text/zone-country';
import { foldName } from './fold-name.js';

/** Countries before others. */
export interface Near {
  country?: string;
  /** The time zone of an account; the country it lies in is near. */
  zone?: string;
}

type FoundRow = Omit<FoundPlace, 'languages'> & { languages: string };
/** A place found by a name, and whether that is its own. */
export type NamedFound = FoundPlace & { isOwn: boolean };

const placeColumns = `p.kind, p.name, p.country, p.country_name AS countryName, p.code, p.region, p.latitude, p.longitude, p.people,
  p.time_zone AS timeZone, p.currency, p.languages`;
/** Other languages' names count less; a country is more often meant than a town of its size. */
const weight = "iif(max(n.own) = 1, 1.0, 0.3) * iif(p.kind = 'country', 5, 1)";

const asFound = (row: FoundRow): FoundPlace => ({ ...row, languages: row.languages.split(' ').filter(Boolean) });

/**
 * Searches the place data that the build lays out: exact names before longer ones, places near before others, then the larger,
 * names in the place's own language or in English counting more than others.
 */
export class PlaceSearch {
  private readonly byPrefix: Sqlite.Statement;
  private readonly byName: Sqlite.Statement;
  private readonly byCode: Sqlite.Statement;

  constructor(db: Sqlite.Database) {
    // Every form of a name finds its place; the place stands once, by its best form.
    this.byPrefix = db.prepare(`
      SELECT ${placeColumns}, max((n.folded = @folded) * (1 + n.own)) AS exactness, max(n.own) AS isOwn
      FROM place_name n JOIN place p ON p.id = n.place
      WHERE n.folded >= @folded AND n.folded < @past
      GROUP BY p.id
      ORDER BY exactness DESC, p.country = @near DESC, p.people * ${weight} DESC LIMIT @limit`);
    this.byName = db.prepare(`
      SELECT ${placeColumns}, max(n.own) AS isOwn
      FROM place_name n JOIN place p ON p.id = n.place
      WHERE n.folded = @folded
      GROUP BY p.id
      ORDER BY p.country = @near DESC, isOwn DESC, p.people DESC LIMIT 12`);
    this.byCode = db.prepare(`SELECT ${placeColumns} FROM place p WHERE kind = @kind AND country = @country AND code = @code`);
  }

  /** Places one form of whose name begins with the text. */
  find(text: string, limit: number, near: Near = {}): FoundPlace[] {
    const folded = foldName(text);
    if (folded === '') return [];
    return (this.byPrefix.all({ folded, past: `${folded}\uffff`, near: this.countryNear(near), limit }) as FoundRow[]).map(asFound);
  }

  /** A country by its code, or a region by its own; null where there is none. */
  findByCode(code: string): FoundPlace | null {
    const row = this.byCode.get(
      code.includes('.') ? { kind: 'region', country: code.slice(0, 2), code } : { kind: 'country', country: code, code: '' },
    );
    return row ? asFound(row as FoundRow) : null;
  }

  /** Places of exactly this name. `within`: the name or code of a country or region that they lie in, or empty. */
  findNamed(text: string, within: string, near: Near = {}): NamedFound[] {
    const folded = foldName(text);
    if (folded === '') return [];
    const rows = this.byName.all({ folded, near: this.countryNear(near) }) as (FoundRow & { isOwn: number })[];
    const found = rows.map((row) => ({ ...asFound(row), isOwn: row.isOwn === 1 }));
    const wanted = within.split(',').map(foldName).filter(Boolean);
    return found.filter((place) =>
      wanted.every((word) => [place.country, place.countryName, place.region, place.code].some((name) => foldName(name) === word)),
    );
  }

  private countryNear({ country, zone = '' }: Near): string | null {
    return country || findCountryOfZone(zone);
  }
}
