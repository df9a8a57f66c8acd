import type { Kept } from '../../../../contract/api.ts';
import type { Design, HookDocument } from '../../../../core/document/index.ts';
import type { HookPicture, StyleKey } from '../../../../core/hook/index.ts';
import { GRADES, HOOK_CHART, hookMeasures, hookPicture, STYLES } from '../../../../core/hook/index.ts';

type Grade = (typeof GRADES)[number];

/** A hook as it hangs on the wall: measured by the shop, or of the generic chart. */
export interface WallHook {
  /** the document’s id; of a hook of the chart its size, style and grade */
  readonly id: string;
  readonly name: string;
  /** what a design’s hook becomes with it, but for its hinge */
  readonly spec: Pick<Design['hook'], 'size' | 'grade' | 'style' | 'measured'>;
  readonly picture: HookPicture;
}

/** What of the wall is looked at. */
export interface WallFilter {
  readonly find: string;
  /** which are shown: all, the shop’s own, or the chart’s */
  readonly of: 'all' | 'own' | 'chart';
  /** style of the chart’s hooks, and of the own ones where it is not any */
  readonly style: StyleKey | '';
  readonly grade: Grade;
}

/** Between the parts of a chart hook's id: no size, style or grade has it. */
const BETWEEN = '~';

const ownHook = ({ id, document }: Kept<HookDocument>): WallHook => {
  const { name, size, style, gap, shank, wire } = document;
  return {
    id,
    name,
    spec: { size, style, grade: 'standard', measured: { gap, shank, wire, name } },
    picture: hookPicture({ gap, shank, wire }, style),
  };
};

function chartHook(size: string, style: StyleKey, grade: Grade): WallHook | undefined {
  const measures = hookMeasures({ size, style, grade });
  if (!measures) return undefined;
  const said = [size, style === STYLES[0]?.key ? '' : style, grade === 'standard' ? '' : grade];
  return {
    id: [size, style, grade].join(BETWEEN),
    name: said.filter(Boolean).join(' '),
    spec: { size, style, grade, measured: undefined },
    picture: hookPicture(measures, style),
  };
}

/** The hooks that a filter leaves, the shop’s own first, each group from small to large. */
export function hooksOnWall(own: readonly Kept<HookDocument>[], filter: WallFilter): WallHook[] {
  const { find, of, style, grade } = filter;
  const has = ({ name }: WallHook) => name.toLowerCase().includes(find.toLowerCase());
  const ours = own
    .filter(({ document }) => style === '' || document.style === style)
    .sort((a, b) => a.document.gap - b.document.gap)
    .map(ownHook);
  const charted = HOOK_CHART.flatMap(({ size }) => chartHook(size, style || 'round bend', grade) ?? []);
  return [...(of === 'chart' ? [] : ours), ...(of === 'own' ? [] : charted)].filter(has);
}

/** The hooks of some ids, in their order; what is no longer there is left out. */
export function hooksOf(own: readonly Kept<HookDocument>[], ids: readonly string[]): WallHook[] {
  return ids.flatMap((id) => {
    const kept = own.find((one) => one.id === id);
    if (kept) return ownHook(kept);
    const [size = '', style, grade] = id.split(BETWEEN);
    const isStyle = STYLES.find(({ key }) => key === style)?.key;
    const isGrade = GRADES.find((one) => one === grade);
    return (isStyle && isGrade && chartHook(size, isStyle, isGrade)) ?? [];
  });
}

/** The corners of all of some pictures, mm; of none a box of nothing. */
export function boxOf(pictures: readonly Pick<HookPicture, 'box'>[]): HookPicture['box'] {
  const side = (corner: 0 | 1, axis: 0 | 1, pick: (...values: number[]) => number) =>
    pictures.length === 0 ? 0 : pick(...pictures.map(({ box }) => box[corner][axis]));
  return [
    [side(0, 0, Math.min), side(0, 1, Math.min)],
    [side(1, 0, Math.max), side(1, 1, Math.max)],
  ];
}
