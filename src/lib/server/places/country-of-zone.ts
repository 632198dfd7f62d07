/** Node 20 has the zones of a region as a getter, later ones as a method too. */
interface RegionZones {
  timeZones?: string[];
  getTimeZones?: () => string[] | undefined;
}

function zonesOf(country: string): readonly string[] {
  const locale = new Intl.Locale('und', { region: country }) as RegionZones;
  return locale.timeZones ?? locale.getTimeZones?.() ?? [];
}

/** The country (ISO 3166-1 alpha-2) of a time zone, out of those given; null where none has it. */
export const findCountryOfZone = (zone: string, countries: readonly string[]): string | null =>
  countries.find((country) => zonesOf(country).includes(zone)) ?? null;
