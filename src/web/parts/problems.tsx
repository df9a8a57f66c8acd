import { useUnits } from '../data/units.ts';

/** What is wrong, a line each, in the reader's units; nothing where nothing is. */
export function Problems({ of }: { readonly of: readonly (string | { readonly message: string })[] }) {
  const { say } = useUnits();
  if (of.length === 0) return null;
  const texts = [...new Set(of.map((one) => (typeof one === 'string' ? one : say(one.message))))];
  return (
    <ul className="problems" role="alert">
      {texts.map((text) => (
        <li key={text}>■ {text}</li>
      ))}
    </ul>
  );
}
