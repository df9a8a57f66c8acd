/**
 * Returns a field by its path in a document as a sentence names it: the steps down to it, such as “Eye,
 * angle”.
 */
export function fieldName(path: string): string {
  const parts = path.split('/').filter(Boolean);
  if (parts.length === 0) return 'The document';
  const text = parts.join(', ');
  return text.charAt(0).toUpperCase() + text.slice(1);
}
