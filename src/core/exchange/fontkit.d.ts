/** What is used of the font library, which comes without types of its own. */
declare module 'fontkit' {
  import type { PDFDocument } from '@cantoo/pdf-lib';

  type Kit = Parameters<PDFDocument['registerFontkit']>[0];
  /** An opened font, as the PDF library takes it. */
  export type Font = Extract<ReturnType<Kit['create']>, { readonly createSubset: unknown }> & {
    readonly hasGlyphForCodePoint: (code: number) => boolean;
  };
  /** Opens a font file of one font. */
  export function create(bytes: Uint8Array): Font;
}
