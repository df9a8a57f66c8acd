/** What is to be said about a field, under it, where its `aria-describedby` finds it. */
export function FieldSaid({ id, text }: { readonly id: string; readonly text: string | undefined }) {
  if (!text) return null;
  return (
    <p className="field-said" id={`${id}-said`} role="alert">
      {text}
    </p>
  );
}
