import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/**
 * How many pages a PDF has, and the pieces of text on its first one, as a general reader of PDF finds them: a
 * piece for each run.
 */
export async function readPdf(
  bytes: Uint8Array,
): Promise<{ readonly pages: number; readonly pieces: readonly string[] }> {
  // The reader takes what it is given for its own.
  const document = await getDocument({ data: bytes.slice(), verbosity: 0 }).promise;
  const { items } = await (await document.getPage(1)).getTextContent();
  return {
    pages: document.numPages,
    pieces: items.flatMap((item) => ('str' in item ? [item.str] : [])),
  };
}
