/** Reads an address as typed; one without a scheme is taken as https. Null where it is no http or https address. */
export function readAddress(typed: string): URL | null {
  const text = typed.trim();
  if (text === '' || /\p{White_Space}/u.test(text)) return null;
  const hasScheme = /^[a-z][a-z0-9+.-]*:(?!\d)/i.test(text);
  if (!URL.canParse(hasScheme ? text : `https://${text}`)) return null;
  const address = new URL(hasScheme ? text : `https://${text}`);
  const isWeb = address.protocol === 'https:' || address.protocol === 'http:';
  return isWeb && address.hostname.includes('.') ? address : null;
}

/** The address in full as it is handed off, or the text as typed where it is none. */
export function writeAddress(typed: string): string {
  return readAddress(typed) ? (/^https?:/i.test(typed.trim()) ? typed.trim() : `https://${typed.trim()}`) : typed;
}

/** Whether an address opens the site's home page. */
export const isHomePage = (address: URL) => /^\/?(?:index\.[a-z]+)?$/i.test(address.pathname) && address.search === '';
