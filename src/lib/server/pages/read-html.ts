import { Parser } from 'htmlparser2';
import type { PageLink, PagePiece, ReadPage } from '$lib/core/pages/page-text';

/** Texts that say nothing of what the page is about. */
const unread = new Set(['script', 'style', 'noscript', 'template', 'svg', 'nav']);
const kinds: Readonly<Record<string, PagePiece['kind']>> = {
  title: 'title',
  h1: 'heading',
  h2: 'heading',
  h3: 'heading',
  h4: 'heading',
  li: 'item',
  td: 'item',
  dt: 'item',
  dd: 'item',
  p: 'text',
};
const mostPieces = 2000;
const longestPiece = 600;
const mostLinks = 300;
const longestAddress = 2048;

/** What the HTML of a page says; links as they are written there. */
export type PageTexts = Pick<ReadPage, 'pieces' | 'fitsPhones' | 'language' | 'links'>;

/** The texts of a page by what they stand in; read as a stream, so that no nesting is too deep. */
export function readHtml(html: string): PageTexts {
  const pieces: PagePiece[] = [];
  const links: PageLink[] = [];
  let link: PageLink | null = null;
  let [fitsPhones, language, skipped] = [false, '', 0];
  let [kind, text]: [PagePiece['kind'], string] = ['text', ''];
  const end = () => {
    const plain = text.replace(/\s+/g, ' ').trim();
    if (plain !== '' && pieces.length < mostPieces) pieces.push({ kind, text: plain.slice(0, longestPiece) });
    text = '';
  };
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        if (unread.has(name)) skipped++;
        if (name === 'a' && attributes.href && attributes.href.length <= longestAddress) link = { text: '', address: attributes.href };
        if (name === 'html') language = attributes.lang ?? '';
        if (name === 'meta') {
          if (attributes.name?.toLowerCase() === 'viewport') fitsPhones = true;
          if (attributes.name?.toLowerCase() === 'description' && attributes.content)
            pieces.push({ kind: 'meta', text: attributes.content.slice(0, longestPiece) });
        }
        if (kinds[name]) {
          end();
          kind = kinds[name]!;
        }
      },
      ontext(part) {
        if (skipped === 0 && text.length < longestPiece * 2) text += part;
        if (link && link.text.length < longestPiece) link.text += part;
      },
      onclosetag(name) {
        if (name === 'a' && link) {
          const said = link.text.replace(/\s+/g, ' ').trim();
          if (said !== '' && links.length < mostLinks) links.push({ text: said, address: link.address });
          link = null;
        }
        if (unread.has(name)) skipped = Math.max(0, skipped - 1);
        if (kinds[name] || name === 'div' || name === 'section') {
          end();
          kind = 'text';
        }
      },
    },
    { decodeEntities: true },
  );
  parser.write(html);
  parser.end();
  end();
  return { pieces, fitsPhones, language, links };
}
