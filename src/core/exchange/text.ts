/**
 * Text on one line: a name with a line end or another control character in it would break the file it is
 * written to.
 */
// eslint-disable-next-line no-control-regex
export const oneLine = (text: string): string => text.replace(/[\u0000-\u001f\u007f\u2028\u2029]+/g, ' ');

/** Text as it may stand in XML, in an element or an attribute. */
export const escapeXml = (text: string): string =>
  oneLine(text).replace(
    /[<>&"]/g,
    (c) => ({ '<': '&lt;', '>': '&gt;', '&': '&amp;', '"': '&quot;' })[c] ?? c,
  );
