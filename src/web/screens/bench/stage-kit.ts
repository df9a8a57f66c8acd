import type { Design, Problem } from '../../../core/document/index.ts';
import type { TargetOf } from '../../../core/head/index.ts';
import type { Metal } from '../../../core/material/index.ts';

/** Changes the design on the Bench. */
export type Edit = (change: (design: Design) => Design) => void;

/** What every stage is given. */
export interface StagesProps {
  readonly design: Design;
  /** dimensions as they are built, after the weight target */
  readonly built: Readonly<Record<string, number>>;
  /** metal weight as built, g */
  readonly grams: number;
  readonly metals: readonly Metal[];
  readonly problems: readonly Problem[];
  readonly edit: Edit;
  readonly onDimension: (key: string, value: number, live: boolean) => void;
  readonly onTarget: (grams: number, live: boolean) => void;
  readonly onHold: () => void;
  readonly onWeighed: (of: TargetOf) => void;
}

/** The message, if any, of the problems at one of the given fields or below it. */
export const finder =
  (problems: readonly Problem[]) =>
  (...paths: string[]): string | undefined =>
    problems.find(({ path }) => paths.some((wanted) => path === wanted || path.startsWith(`${wanted}/`)))
      ?.message;

/** Stages that a pulled size does not touch are not drawn again while it is pulled. */
export const alike =
  (...parts: readonly (keyof Design)[]) =>
  (a: StagesProps, b: StagesProps): boolean =>
    a.problems === b.problems &&
    a.edit === b.edit &&
    parts.every((part) => a.design[part] === b.design[part]);
