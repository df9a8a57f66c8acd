import type { UsedIn } from '../../contract/api.ts';

/** Documents told by name where something was part of more. */
const TOLD = 3;

/** A sentence on what something was part of; '' where it was part of nothing. */
export function partOf(used: readonly Pick<UsedIn, 'noun' | 'name'>[]): string {
  if (used.length === 0) return '';
  const names = used.slice(0, TOLD).map(({ noun, name }) => `the ${noun} ${name}`);
  const more = used.length > TOLD ? [`${used.length - TOLD} more`] : [];
  const all = [...names, ...more];
  const last = all.pop() ?? '';
  return ` It was part of ${all.length > 0 ? `${all.join(', ')} and ${last}` : last}.`;
}
