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

/** One thing of a tagged page: what it is, what it says or shows. */
export interface TaggedThing {
  readonly role: string;
  readonly text: string;
  readonly alt: string | undefined;
}

/** A node of the tree of a page, as the reader gives it. */
interface TreeNode {
  readonly role?: string;
  readonly alt?: string;
  readonly type?: string;
  readonly id?: string;
  readonly children?: readonly TreeNode[];
}

/**
 * What each thing on a page of a tagged PDF is, in the order in which it is heard, and the text that stands
 * under no tag, as a general reader of PDF finds them.
 */
export async function readTags(
  bytes: Uint8Array,
  number = 1,
): Promise<{ readonly things: readonly TaggedThing[]; readonly untagged: string; readonly lang: unknown }> {
  const document = await getDocument({ data: bytes.slice(), verbosity: 0 }).promise;
  const page = await document.getPage(number);
  const { items, lang } = await page.getTextContent({ includeMarkedContent: true });
  const said = new Map<string, string>();
  const within: (string | undefined)[] = [];
  let untagged = '';
  for (const item of items) {
    if ('str' in item) {
      const id = within.findLast((one) => one !== undefined);
      if (id === undefined) untagged += item.str;
      else said.set(id, `${said.get(id) ?? ''}${item.str}`);
    } else if (item.type === 'endMarkedContent') within.pop();
    else within.push('id' in item && item.id ? item.id : undefined);
  }
  const things: TaggedThing[] = [];
  const walk = (node: TreeNode, role: string, alt: string | undefined): void => {
    if (node.type === 'content') things.push({ role, text: said.get(node.id ?? '') ?? '', alt });
    for (const child of node.children ?? []) walk(child, node.role ?? role, node.alt);
  };
  walk((await page.getStructTree()) as TreeNode, 'Root', undefined);
  return { things, untagged: untagged.trim(), lang };
}
