import type { SeenPage } from '../records/seen-page';

/** A piece of text of a page, and where it stood. */
export interface PagePiece {
  kind: SeenPage['pieces'][number]['kind'];
  text: string;
}

/** A link of a page to another of its site. */
export interface PageLink {
  text: string;
  address: string;
}

/** What was read of a page. */
export interface ReadPage {
  /** The address that answered, after redirects. */
  address: string;
  status: number;
  /** Redirects on the way. */
  redirects: string[];
  pieces: PagePiece[];
  /** Whether it is laid out for phones. */
  fitsPhones: boolean;
  language: string;
  /** To other pages of the same site, each once. */
  links: PageLink[];
}

/** What a page proposes for the brief. */
export interface FactProposal {
  kind: 'offer' | 'fact' | 'place' | 'not-offered';
  text: string;
  /** Of an offer, in minor units, where a price stands with it. */
  priceMinor: number | null;
  /** The piece it was found in. */
  where: string;
}
