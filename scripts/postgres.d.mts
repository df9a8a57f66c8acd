/** A cluster of PostgreSQL in a temporary folder. */
export interface Cluster {
  readonly folder: string;
  readonly data: string;
}

/** A PostgreSQL server that runs. */
export interface Server extends Cluster {
  readonly port: number;
  /** address of one of its databases */
  readonly url: (name?: string) => string;
  readonly stop: (signal?: NodeJS.Signals) => Promise<void>;
  readonly remove: () => void;
}

export function freePort(): Promise<number>;
export function makeCluster(): Cluster;
export function makeReplica(port: number): Cluster;
export function promote(data: string): void;
export function startServer(cluster: Cluster, port: number, settings?: readonly string[]): Promise<Server>;
