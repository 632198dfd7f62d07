import { saysNothing, type Extra, type ExtraKind, type ExtraSaid, type PriceRow } from '../records/extra';
import { childrenOf, inOrder } from '../store/snapshot';
import { isHomePage, readAddress } from '../text/address';
import { normalizeText, units } from '../text/text-length';
import { briefTexts, groupsInOrder, landingPageOf, type PlanView } from '../view/plan-view';
import { extrasOf, wholePlan } from '../view/extras-shown';
import type { ReadPage } from './page-text';

/** What an extra says that is proposed for a plan, and what it was found in. */
export interface ProposedExtra {
  said: ExtraSaid;
  /** Of the brief, or of a page that was read: its address. */
  from: { what: 'fact' | 'proof' | 'offer' | 'client' | 'group' | 'page'; name: string };
}

const bare = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');

class ExtraProposer {
  private readonly proposed: ProposedExtra[] = [];
  private readonly own: readonly Extra[];
  private readonly opened: Set<string>;
  private readonly said = new Set<string>();

  constructor(
    private readonly view: PlanView,
    private readonly pages: readonly ReadPage[],
  ) {
    const { snapshot } = view;
    this.own = extrasOf(snapshot, wholePlan);
    const texts = [...inOrder(snapshot.extra).map(({ text }) => text), ...inOrder(snapshot.adLine).map(({ text }) => text)];
    for (const text of texts) this.said.add(bare(text));
    const addresses = [
      ...inOrder(snapshot.ad).map((ad) => landingPageOf(view, ad)),
      ...inOrder(snapshot.extra).map(({ address }) => address),
      view.brief.landingPage,
    ];
    this.opened = new Set(addresses.flatMap((address) => readAddress(address)?.href ?? []));
  }

  propose(): ProposedExtra[] {
    this.sitelinks();
    this.callouts();
    this.offers();
    this.prices();
    this.listed();
    this.businessName();
    return this.proposed;
  }

  private has(kind: ExtraKind): boolean {
    return this.own.some((extra) => extra.kind === kind);
  }

  private put(kind: ExtraKind, said: Partial<ExtraSaid>, from: ProposedExtra['from']): void {
    this.proposed.push({ said: { ...saysNothing, kind, ...said }, from });
  }

  /** Deeper pages of the site that no ad and no sitelink opens: those that the pages read lead to, and the groups' own. */
  private sitelinks(): void {
    const { textLimit } = this.view.rules.sitelink;
    const found = this.pages.flatMap((page) =>
      page.links.map(({ text, address }) => ({ text, address, from: { what: 'page' as const, name: page.address } })),
    );
    const groups = groupsInOrder(this.view).map(({ name, landingPage }) => ({
      text: name,
      address: landingPage,
      from: { what: 'group' as const, name },
    }));
    for (const { text, address, from } of [...found, ...groups]) {
      const to = readAddress(address);
      if (!to || isHomePage(to) || this.opened.has(to.href) || units(text) > textLimit || this.said.has(bare(text))) continue;
      this.opened.add(to.href);
      this.said.add(bare(text));
      this.put('sitelink', { text, address }, from);
    }
  }

  /** Facts and proofs of the brief that fit, which no line says yet. */
  private callouts(): void {
    const { textLimit } = this.view.rules.callout;
    for (const what of ['fact', 'proof'] as const)
      for (const typed of briefTexts(this.view, what)) {
        const text = normalizeText(typed).replace(/[.!]$/, '');
        if (text === '' || units(text) > textLimit || this.said.has(bare(text))) continue;
        this.said.add(bare(text));
        this.put('callout', { text }, { what, name: typed });
      }
  }

  /** Offers of the brief that end on a day. */
  private offers(): void {
    const { textLimit } = this.view.rules.datedOffer;
    for (const { name, endsOn } of inOrder(this.view.snapshot.offer)) {
      if (endsOn === null || name.trim() === '' || units(name) > textLimit || this.said.has(bare(name))) continue;
      this.put('dated-offer', { text: name, endsOn, address: this.view.brief.landingPage }, { what: 'offer', name });
    }
  }

  /** Offers that have a price, where they are enough for a list of prices. */
  private prices(): void {
    const { least, most, textLimit, headers } = this.view.rules.priceRows;
    const rows = inOrder(this.view.snapshot.offer).flatMap(({ name, priceMinor }): PriceRow[] =>
      priceMinor === null || units(name) > textLimit ? [] : [{ text: name, description: '', priceMinor, address: this.pageOf(name) }],
    );
    if (this.has('price-rows') || rows.length < least) return;
    const name = rows.map(({ text }) => text).join(', ');
    this.put('price-rows', { header: headers[0] ?? '', prices: rows.slice(0, most) }, { what: 'offer', name });
  }

  /** The page of the group that speaks of an offer, else the brief's. */
  private pageOf(offerName: string): string {
    const { snapshot, brief } = this.view;
    const offer = inOrder(snapshot.offer).find(({ name }) => name === offerName);
    return (offer && childrenOf(snapshot.group, 'offerId', offer.id)[0]?.landingPage) || brief.landingPage;
  }

  /** Offers that are enough for a list of services. */
  private listed(): void {
    const { least, most, textLimit, headers } = this.view.rules.listedValues;
    const names = inOrder(this.view.snapshot.offer).map(({ name }) => normalizeText(name));
    const values = [...new Set(names)].filter((name) => name !== '' && units(name) <= textLimit).slice(0, most);
    if (this.has('listed-values') || values.length < least) return;
    this.put('listed-values', { header: headers[0] ?? '', values }, { what: 'offer', name: values.join(', ') });
  }

  private businessName(): void {
    const { name } = this.view.client;
    if (!this.has('business-name') && units(name) <= this.view.rules.businessName.textLimit)
      this.put('business-name', { text: name }, { what: 'client', name });
  }
}

/**
 * Extras for the whole plan, out of what the brief says and the pages that were read: nothing is invented, and what an ad or an extra says or opens
 * already is left out.
 */
export const proposeExtras = (view: PlanView, pages: readonly ReadPage[]): ProposedExtra[] => new ExtraProposer(view, pages).propose();
