import { eq, sql } from 'drizzle-orm';
import type { LineRow, Stores, WaterRow } from '../contract/api.ts';
import type { MetalEdit } from '../contract/requests.ts';
import { HOOK_CHART } from '../core/hook/index.ts';
import { METALS, SALINITY } from '../core/material/index.ts';
import type { Database } from './database.ts';
import { HttpProblem, notFound } from './problem.ts';
import { metalDensities } from './schema.ts';

const WATERS: readonly WaterRow[] = [
  { key: 'fresh-cold', name: 'Fresh, cold', temperature: 6, salinity: SALINITY.fresh, source: 'Kell 1975' },
  { key: 'fresh', name: 'Fresh, mild', temperature: 15, salinity: SALINITY.fresh, source: 'Kell 1975' },
  {
    key: 'brackish',
    name: 'Brackish',
    temperature: 14,
    salinity: SALINITY.brackish,
    source: 'EOS-80; salinity of 8 is common practice, no source',
  },
  { key: 'sea', name: 'Open sea', temperature: 12, salinity: SALINITY.sea, source: 'EOS-80' },
];

const LINES: readonly LineRow[] = [
  { key: 'nylon', material: 'Nylon', density: 1.14, source: 'Usual data sheets (from memory)' },
  { key: 'fluorocarbon', material: 'Fluorocarbon', density: 1.78, source: 'Usual data sheets (from memory)' },
  {
    key: 'braid',
    material: 'Braided polyethylene',
    density: 0.97,
    source: 'Usual data sheets (from memory)',
  },
];

const stale = (name: string) =>
  new HttpProblem(
    412,
    'Changed elsewhere',
    `${name} was changed elsewhere since you opened the stores. Look at it again.`,
  );

/**
 * The metals as this shop knows them: the reference list, with densities and prices it found for itself. Read
 * from the data every time: another process may have changed them.
 */
export class MetalStore {
  private readonly db: Database;

  constructor(db: Database) {
    this.db = db;
  }

  async metals(): Promise<Stores['metals']> {
    const own = await this.db.select().from(metalDensities);
    return METALS.map((metal) => {
      const found = own.find(({ key }) => key === metal.key);
      return {
        ...metal,
        density: found?.density ?? metal.density,
        price: found?.price ?? metal.price,
        version: found?.version ?? 0,
        reference: metal.density,
      };
    });
  }

  async stores(): Promise<Stores> {
    return { metals: await this.metals(), hooks: HOOK_CHART, waters: WATERS, lines: LINES };
  }

  /** Sets density or price of a metal, if it still is at the version seen. */
  async edit(key: string, edit: MetalEdit, expected: number | undefined): Promise<Stores['metals'][number]> {
    const now = (await this.metals()).find((row) => row.key === key);
    if (!now) throw notFound('This metal');
    if (expected !== undefined && expected !== now.version) throw stale(now.name);
    const version = now.version + 1;
    const { density = now.density, price = now.price } = edit;
    const [kept] = await this.db
      .insert(metalDensities)
      .values({ key, density, price, version })
      .onConflictDoUpdate({
        target: metalDensities.key,
        set: { density, price, version },
        setWhere: eq(metalDensities.version, sql`${now.version}`),
      })
      .returning();
    // Another process was first: its edit stands, and this one is told.
    if (!kept) throw stale(now.name);
    return { ...now, density, price, version };
  }
}
