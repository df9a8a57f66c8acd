import { isKeyOf } from '../../../core/kind/index.ts';
import { useMemo, useState } from 'react';
import type { Design } from '../../../core/document/index.ts';
import { starterDesign } from '../../../core/document/index.ts';
import type { Family } from '../../../core/head/index.ts';
import { ball, completeDimensions, familyOf } from '../../../core/head/index.ts';
import { EYE_ANGLES } from '../../../core/hook/index.ts';
import type { TakenIn } from '../../../core/make/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { clamp } from '../../../core/numeric/index.ts';
import type { UnitSystem } from '../../../core/quantity/index.ts';
import { GRAMS_PER_OUNCE } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { useStores } from '../../data/queries.ts';
import { useAddress } from '../../parts/address.ts';
import type { GoesOn } from '../../workers/in-parts.ts';
import { useParts } from '../../workers/use-parts.ts';
import { makeWorker } from '../../workers/make.ts';

interface Job {
  readonly design: Design;
  readonly measured: Readonly<Record<string, number>>;
  readonly grams: number;
  readonly metals: readonly Metal[];
}
const run = ({ design, measured, grams, metals }: Job, goesOn: GoesOn): Promise<TakenIn | undefined> =>
  makeWorker().take({ design, measured, grams }, metals, goesOn);

/** What was found of a head: its design, the sizes solved for, and which metals agree. */
export type Found = Extract<TakenIn, { ok: true }>;

/** What is taken where the address says nothing: hook, metal and eye, degrees. */
const FIRST = { hook: '3/0', metal: 'lead', eye: 90 } as const;
/** The weight likewise, g: round in the reader’s unit. */
const FIRST_GRAMS: Readonly<Record<UnitSystem, number>> = { imperial: (3 / 8) * GRAMS_PER_OUNCE, metric: 10 };

/** Returns a number that stands in the address; undefined where it does not or is none. */
function given(text: string | null): number | undefined {
  const value = text === null ? NaN : Number(text);
  return Number.isFinite(value) && value > 0 ? value : undefined;
}

/** The sizes of a family that the address says were measured, mm. */
const measuredOf = (family: Family, search: URLSearchParams): Readonly<Record<string, number>> =>
  Object.fromEntries(
    family.dimensions.flatMap(({ key }) => {
      const value = given(search.get(`m.${key}`));
      return value === undefined ? [] : [[key, value]];
    }),
  );

/** A head as it is measured: all of it stands in the address but for its name. */
export function useMeasured() {
  const stores = useStores();
  const { system } = useUnits();
  const { search, set, setAll } = useAddress();
  const [name, setName] = useState('');
  const family = familyOf(search.get('shape') ?? ball.key) ?? ball;
  const metals: readonly Metal[] = stores.data?.metals ?? METALS;
  const metalKey = metals.find(({ key }) => key === search.get('metal'))?.key ?? FIRST.metal;
  const hook = search.get('hook') ?? FIRST.hook;
  const eye = clamp(given(search.get('eye')) ?? FIRST.eye, ...EYE_ANGLES);
  const claimed = given(search.get('density'));
  const grams = given(search.get('grams')) ?? FIRST_GRAMS[system];
  const measured = useMemo(() => measuredOf(family, search), [family, search]);
  const design = useMemo<Design>(() => {
    const base = starterDesign(family, name.trim() || `${family.name}, measured`);
    return {
      ...base,
      head: { ...base.head, metal: metalKey, ...(claimed === undefined ? {} : { density: claimed }) },
      hook: { ...base.hook, size: hook },
      eye: { ...base.eye, angle: eye },
      keeper: { kind: 'none' },
      guard: { kind: 'none' },
    };
  }, [family, name, metalKey, claimed, hook, eye]);
  const job = useMemo<Job>(() => ({ design, measured, grams, metals }), [design, measured, grams, metals]);
  const work = useParts(job, run);
  const { output, error } = work;
  const found = output?.ok ? output : undefined;
  return {
    name,
    setName,
    family,
    metals,
    metalKey,
    hook,
    eye,
    claimed,
    grams,
    measured,
    design,
    /** every size: as it was found, or as it usually is */
    sizes: found?.design.head.dimensions ?? completeDimensions(family, {}),
    found,
    problems: output && !output.ok ? output.problems : [],
    isReady: output !== undefined,
    work,
    error,
    set: (key: keyof typeof FIRST | 'grams' | 'density' | `m.${string}`, value: string) =>
      set(key, value, isKeyOf(FIRST, key) ? String(FIRST[key]) : undefined),
    setShape: (key: string) =>
      setAll([
        ['shape', key, ball.key],
        ...family.dimensions.map(({ key: old }) => [`m.${old}`, ''] as const),
      ]),
  };
}

/** A head as it is measured, and what changes it. */
export type Measured = ReturnType<typeof useMeasured>;
