/** Builds the interface unless the last build was made from these very sources. */
export function ensureBuilt(): Promise<void>;
/** Builds server and terminal, likewise. */
export function ensureNode(): Promise<void>;
