import { useCallback, useState } from 'react';
import type { Brief, Design } from '../../../core/document/index.ts';
import type { TargetOf } from '../../../core/head/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { completeDimensions, familyOf } from '../../../core/head/index.ts';
import { useNotices } from '../../parts/notices.tsx';
import type { Built, Judged } from '../../workers/judge.worker.ts';
import type { Pulled } from './plate.tsx';
import type { Edit } from './stage-kit.ts';
import { withStation } from './station-list.tsx';
import { useEditBuilt, usePulled } from './use-pulled.ts';
import { useMetalLines, useWholly } from './use-wholly.ts';

/** The head with the sizes it is built in, where they are known. */
const builtHead = ({ head }: Design, built: Built | undefined): Design['head'] => ({
  ...head,
  dimensions: built?.dimensions ?? head.dimensions,
});

/**
 * What happens on the Bench: the document judged in the worker, and sizes, weight and eye pulled by hand.
 *
 * What is being pulled is not yet part of the document. It is drawn when the worker has judged it, and not
 * before: one drawing for each state keeps the interface free to follow the pointer.
 */
export function useBench(
  { document, edit }: { readonly document: Design; readonly edit: Edit },
  brief: Brief | undefined,
  metals: readonly Metal[],
) {
  const { tell } = useNotices();
  const { surroundings, judged, error, answered, ask, isSettled } = useWholly(document, brief, metals);
  const [last, setLast] = useState<Extract<Judged, { ok: true }> | undefined>(undefined);
  if (judged?.ok && judged !== last) setLast(judged);
  const lines = useMetalLines(last?.design, surroundings);

  const editBuilt = useEditBuilt(edit, metals);
  const { pulled, pulling, pull, settle, commit } = usePulled({ edit, ask, surroundings });

  const onDimension = useCallback(
    (key: string, value: number, isLive: boolean) => {
      const base = pulled.current ?? document;
      const family = familyOf(base.head.family);
      const locks = document.head.locks ?? [];
      const specs = family?.dimensions.filter(({ scales }) => scales) ?? [];
      const isSize = specs.some((spec) => spec.key === key);
      const canGive = !isSize || specs.some((spec) => spec.key !== key && !locks.includes(spec.key));
      // Every size is named, so that none follows the pulled one by its own default.
      const sizes = family
        ? completeDimensions(family, base.head.dimensions, base.head)
        : base.head.dimensions;
      const head = { ...base.head, dimensions: { ...sizes, [key]: value } };
      if (!isLive && !canGive && document.head.target) {
        const text =
          'No other size can give way, so the weight is no longer held. Press H to hold the new one.';
        tell({ tone: 'plain', text });
      }
      // While a size is pulled under a held weight it counts as locked, and the others give way; where
      // nothing can give, the weight does.
      const held = { ...head, locks: isSize ? [...new Set([...locks, key])] : locks };
      settle({ ...base, head: canGive ? held : { ...head, target: undefined } }, isLive);
    },
    [pulled, document, settle, tell],
  );
  const onTarget = useCallback(
    (grams: number, isLive: boolean) => {
      const base = pulled.current ?? document;
      const target = { grams, of: document.head.target?.of ?? ('metal' as const) };
      settle({ ...base, head: { ...base.head, target } }, isLive);
    },
    [pulled, document, settle],
  );
  const onLive = useCallback(
    (field: Pulled, key: string, value: number) => {
      if (field === 'dimension') onDimension(key, value, true);
      else if (field === 'station') {
        const base = pulled.current ?? document;
        const [index = '0', of = 'rise'] = key.split('.');
        const stations = withStation(base.head, Number(index), { [of]: value });
        pull({ ...base, head: { ...base.head, stations } });
      } else if (field === 'angle')
        pull({ ...(pulled.current ?? document), eye: { ...document.eye, angle: value } });
    },
    [pulled, document, onDimension, pull],
  );
  const onSettle = useCallback(() => {
    if (pulled.current) void commit(pulled.current);
  }, [pulled, commit]);
  const onHold = useCallback(
    () =>
      void editBuilt((now, built) => {
        if (now.head.target) return { ...now, head: { ...builtHead(now, built), target: undefined } };
        const grams = built?.weighs.metal;
        return grams ? { ...now, head: { ...now.head, target: { grams, of: 'metal' } } } : now;
      }),
    [editBuilt],
  );
  /** What it weighs so now is what is held from here on. */
  const onWeighed = useCallback(
    (of: TargetOf) =>
      void editBuilt((now, built) => {
        const grams = built?.weighs[of] ?? 0;
        return grams > 0 ? { ...now, head: { ...now.head, target: { grams, of } } } : now;
      }),
    [editBuilt],
  );
  const onChoose = useCallback(
    (key: string) =>
      void editBuilt((now, built) => ({
        ...now,
        head: { ...builtHead(now, built), metal: key, density: undefined },
      })),
    [editBuilt],
  );
  const shown = pulling && answered ? answered.design : document;
  return {
    surroundings,
    judged,
    last,
    lines,
    error,
    pulling,
    /** what takes a moment is still that of the state before */
    isSettling: pulling || !isSettled,
    shown,
    onDimension,
    onTarget,
    onLive,
    onSettle,
    onHold,
    onWeighed,
    onChoose,
  };
}
