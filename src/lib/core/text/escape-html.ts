const entities: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** A text as it stands in HTML and XML, also inside the quotation marks of an attribute. */
export const escapeHtml = (text: string): string => text.replace(/[&<>"]/g, (sign) => entities[sign]!);
