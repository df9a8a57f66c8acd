import type { PDFDocument, PDFPage } from '@cantoo/pdf-lib';
import {
  PDFArray,
  PDFHexString,
  PDFName,
  PDFNumber,
  PDFOperator,
  PDFOperatorNames,
  PDFString,
} from '@cantoo/pdf-lib';

/*
 * The tags of a PDF (ISO 32000-1, 14.7 and 14.8): what each thing on its pages is, and in which order it is read, for whoever
 * hears a page instead of seeing it. Each thing is marked in the page's content by a number, and stands under that number in a
 * tree of the document.
 */

/** What a thing on a page is: a heading of the first or second rank, a line of text, or a picture. */
export type Role = 'H1' | 'H2' | 'P' | 'Figure';

/** Tags of one document. */
interface Tags {
  /** draws what is marked as a role; `alt` says in words what a picture shows */
  readonly mark: (page: PDFPage, role: Role, draw: () => void, alt?: string) => void;
  /** draws what only decorates: lines between parts, grounds */
  readonly artifact: (page: PDFPage, draw: () => void) => void;
}

/** Begins the tags of a document whose language is English. */
function openTags(pdf: PDFDocument): Tags {
  const { context, catalog } = pdf;
  const kids = PDFArray.withContext(context);
  const ofPages = PDFArray.withContext(context);
  const root = context.nextRef();
  const document = context.register(context.obj({ Type: 'StructElem', S: 'Document', P: root, K: kids }));
  context.assign(
    root,
    context.obj({ Type: 'StructTreeRoot', K: document, ParentTree: context.obj({ Nums: ofPages }) }),
  );
  catalog.set(PDFName.of('StructTreeRoot'), root);
  catalog.set(PDFName.of('MarkInfo'), context.obj({ Marked: true }));
  catalog.set(PDFName.of('Lang'), PDFString.of('en'));
  const marksOf = new Map<PDFPage, PDFArray>();
  const begun = (page: PDFPage): PDFArray => {
    const marks = PDFArray.withContext(context);
    page.node.set(PDFName.of('StructParents'), PDFNumber.of(marksOf.size));
    page.node.set(PDFName.of('Tabs'), PDFName.of('S'));
    ofPages.push(PDFNumber.of(marksOf.size));
    ofPages.push(context.register(marks));
    marksOf.set(page, marks);
    return marks;
  };
  // A thing within a thing is part of it: the texts of a drawing are the drawing's.
  let isWithin = false;
  const within = (page: PDFPage, begin: PDFOperator, draw: () => void): void => {
    if (isWithin) return draw();
    isWithin = true;
    page.pushOperators(begin);
    try {
      draw();
    } finally {
      page.pushOperators(PDFOperator.of(PDFOperatorNames.EndMarkedContent));
      isWithin = false;
    }
  };
  return {
    mark: (page, role, draw, alt) => {
      if (isWithin) return draw();
      const marks = marksOf.get(page) ?? begun(page);
      const number = marks.size();
      const element = context.register(
        context.obj({
          Type: 'StructElem',
          S: role,
          P: document,
          Pg: page.ref,
          K: number,
          ...(alt === undefined ? {} : { Alt: PDFHexString.fromText(alt) }),
        }),
      );
      kids.push(element);
      marks.push(element);
      const args = [PDFName.of(role), `<</MCID ${number}>>`];
      return within(page, PDFOperator.of(PDFOperatorNames.BeginMarkedContentSequence, args), draw);
    },
    artifact: (page, draw) =>
      within(page, PDFOperator.of(PDFOperatorNames.BeginMarkedContent, [PDFName.of('Artifact')]), draw),
  };
}

const known = new WeakMap<PDFDocument, Tags>();

/** Returns the tags of a page's document, begun where it has none yet. */
export function tagsOf({ doc }: PDFPage): Tags {
  const tags = known.get(doc) ?? openTags(doc);
  known.set(doc, tags);
  return tags;
}
