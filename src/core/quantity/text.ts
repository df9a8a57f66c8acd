/**
 * The first characters of a text, whole ones: a cut in the middle of a sign of two parts would leave what no
 * database stores.
 */
export function shortened(text: string, most: number): string {
  if (text.length <= most) return text;
  let end = most;
  const last = text.charCodeAt(end - 1);
  if (last >= 0xd800 && last <= 0xdbff) end--;
  return text.slice(0, end);
}

/** Whether a database can store a text: no NUL, and no half of a sign. */
export const isStorable = (text: string): boolean => !text.includes('\u0000') && text.isWellFormed();
