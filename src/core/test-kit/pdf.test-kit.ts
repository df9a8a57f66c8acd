import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** The words of a PDF's first page, as another's reader finds them, joined by spaces. */
export async function wordsOfPdf(bytes: Uint8Array): Promise<string> {
  const document = await getDocument({ data: bytes, verbosity: 0 }).promise;
  const { items } = await (await document.getPage(1)).getTextContent();
  return items
    .map((item) => ('str' in item ? item.str : ''))
    .join(' ')
    .replace(/\s+/g, ' ');
}
