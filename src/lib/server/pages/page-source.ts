/** A page as it came. */
export interface FetchedPage {
  address: string;
  status: number;
  redirects: string[];
  html: string;
}

/** A file beside the pages of a site, as it came. */
export interface FetchedFile {
  address: string;
  status: number;
  bytes: Uint8Array;
}

/** Where pages come from. */
export interface PageSource {
  /** How long to wait between two pages of one site. */
  readonly pauseMs: number;
  /** Whether this source has pages of an address. */
  serves(address: URL): boolean;
  /** A page; `stop` ends waiting for it. */
  fetch(address: URL, stop?: AbortSignal): Promise<FetchedPage>;
  /** A file such as a site map, under the same guards. */
  fetchFile(address: URL, stop?: AbortSignal): Promise<FetchedFile>;
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
