/** Builds the interface unless the last build was made from these very sources. */
export function ensureBuilt(): void;
