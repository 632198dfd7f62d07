/** A page as it came. */
export interface FetchedPage {
  address: string;
  status: number;
  redirects: string[];
  html: string;
}

/** Where pages come from. */
export interface PageSource {
  /** Whether this source has pages of an address. */
  serves(address: URL): boolean;
  fetch(address: URL): Promise<FetchedPage>;
}

/** Why a page is not fetched. */
export class PageRefused extends Error {
  constructor(
    readonly code:
      'not-web' | 'private-address' | 'not-found' | 'too-many-redirects' | 'too-large' | 'too-slow' | 'robots' | 'no-html' | 'no-answer',
    message: string,
  ) {
    super(message);
  }
}
