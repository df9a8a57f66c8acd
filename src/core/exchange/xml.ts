/** Text as it may stand in XML, in an element or an attribute. */
export const escapeXml = (text: string): string =>
  text.replace(/[<>&"]/g, (c) => ({ '<': '&lt;', '>': '&gt;', '&': '&amp;', '"': '&quot;' })[c] ?? c);
