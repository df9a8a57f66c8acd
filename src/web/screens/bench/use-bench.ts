import { useCallback, useMemo, useRef, useState, useEffect } from 'react';
import type { ReadingId, Surroundings } from '../../../core/behaviour/index.ts';
import type { Brief, Design } from '../../../core/document/index.ts';
import type { TargetOf } from '../../../core/head/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { BEHAVIOURS, READINGS } from '../../../core/behaviour/index.ts';
import { completeDimensions, familyOf } from '../../../core/head/index.ts';
import { PLAIN_WATER } from '../../../core/judge/index.ts';
import { surroundingsOfBrief } from '../../../core/match/index.ts';
import { useNotices } from '../../parts/notices.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { Built, Judged, MetalLine } from '../../workers/judge.worker.ts';
import type { Pulled } from './plate.tsx';
import type { Edit } from './stage-kit.ts';
import { withStation } from './station-list.tsx';

/** Water and depth of a brief, or plain water where none is chosen. */
function surroundingsOf(brief: Brief | undefined, metals: readonly Metal[]): Surroundings {
  if (!brief) return { ...PLAIN_WATER, metals };
  return { ...surroundingsOfBrief(brief), metals };
}

/** The head with the sizes it is built in, where they are known. */
const builtHead = ({ head }: Design, built: Built | undefined): Design['head'] => ({
  ...head,
  dimensions: built?.dimensions ?? head.dimensions,
});

interface Job {
  readonly design: Design;
  readonly surroundings: Surroundings;
}
const runJudge = ({ design, surroundings }: Job): Promise<Judged> =>
  judgeWorker('now').judge(design, surroundings);
const runWhole = ({ design, surroundings }: Job): Promise<Judged> =>
  judgeWorker('later').judge(design, surroundings);
/** Behaviours that take a moment: a flag's code begins with the key of its own. */
const SLOW = new Set(BEHAVIOURS.filter(({ needs }) => needs !== 'at once').map(({ key }) => key));
const runMetals = ({ design, surroundings }: Job): Promise<MetalLine[]> =>
  judgeWorker('later').metals(design, surroundings);

/**
 * What happens on the Bench: the document judged in the worker, and sizes, weight and eye pulled by hand.
 *
 * What is being pulled is not yet part of the document. It is drawn when the worker has judged it, and not before: one
 * drawing for each state keeps the interface free to follow the pointer.
 */
export function useBench(
  { document, edit }: { readonly document: Design; readonly edit: Edit },
  brief: Brief | undefined,
  metals: readonly Metal[],
) {
  const { tell } = useNotices();
  const whole = useMemo<Surroundings>(() => surroundingsOf(brief, metals), [brief, metals]);
  // What follows the hand leaves out what takes a moment; that comes after it, from the other worker.
  const surroundings = useMemo<Surroundings>(() => ({ ...whole, isShort: true }), [whole]);
  const job = useMemo<Job>(() => ({ design: document, surroundings }), [document, surroundings]);
  const wholeJob = useMemo<Job>(() => ({ design: document, surroundings: whole }), [document, whole]);
  const { output: shortly, for: answered, error, ask } = useJudged(job, runJudge);
  const { output: wholly, for: whollyOf } = useJudged(wholeJob, runWhole);
  const judged = useMemo<Judged | undefined>(() => {
    if (!shortly?.ok || !wholly?.ok) return shortly;
    const slow = Object.entries(wholly.readings).filter(([id]) => READINGS[id as ReadingId].isSlow);
    const flags = wholly.flags.filter(({ code }) => SLOW.has(code.split('.')[0] ?? ''));
    return {
      ...shortly,
      readings: { ...shortly.readings, ...Object.fromEntries(slow) },
      flags: [...shortly.flags, ...flags],
    };
  }, [shortly, wholly]);
  const pulled = useRef<Design | undefined>(undefined);
  const [pulling, setPulling] = useState(false);
  const [last, setLast] = useState<Extract<Judged, { ok: true }> | undefined>(undefined);
  if (judged?.ok && judged !== last) setLast(judged);
  const built = last?.design;
  const stripJob = useMemo<Job | undefined>(
    () => built && { design: built, surroundings },
    [built, surroundings],
  );
  const { output: lines } = useJudged(stripJob, runMetals);

  const pull = useCallback(
    (next: Design) => {
      pulled.current = next;
      setPulling(true);
      ask({ design: next, surroundings });
    },
    [ask, surroundings],
  );
  /** An edit that needs the head as it is built, which the worker says. Edited meanwhile, it is asked of the newer state, so that no edit is lost. */
  const editBuilt = useCallback(
    async (change: (now: Design, built: Built | undefined) => Design) => {
      let asked: Design | undefined;
      for (let isIn = false; !isIn;) {
        edit((now) => (asked = now));
        if (!asked) return;
        const built = await judgeWorker('now')
          .built(asked, metals)
          .catch(() => undefined);
        edit((now) => {
          isIn = now === asked;
          return isIn ? change(now, built) : now;
        });
      }
    },
    [edit, metals],
  );
  /** Puts a pulled or typed state into the document, with the sizes that are built, so that it says what it means even without its target. */
  const commit = useCallback(
    async (next: Design) => {
      pull(next);
      // A worker that fails costs only the built sizes: what was pulled is kept all the same.
      const result = await runJudge({ design: next, surroundings }).catch(() => undefined);
      // Something else was pulled meanwhile: that is built on this and will be put in itself.
      if (pulled.current !== next) return;
      pulled.current = undefined;
      const dimensions = result?.ok ? result.design.head.dimensions : next.head.dimensions;
      // Only head and eye are pulled; whatever else was edited meanwhile stays.
      edit((now) => ({ ...now, eye: next.eye, head: { ...next.head, dimensions, locks: now.head.locks } }));
      setPulling(false);
    },
    [edit, pull, surroundings],
  );
  // A page that is left has no time to have it built: it goes in as it was pulled, and is built when it is seen again.
  useEffect(() => {
    const keep = () => {
      const next = pulled.current;
      if (!next) return;
      pulled.current = undefined;
      edit((now) => ({ ...now, eye: next.eye, head: { ...next.head, locks: now.head.locks } }));
    };
    window.addEventListener('pagehide', keep);
    return () => window.removeEventListener('pagehide', keep);
  }, [edit]);
  const settle = useCallback(
    (next: Design, isLive: boolean) => (isLive ? pull(next) : void commit(next)),
    [pull, commit],
  );

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
      // While a size is pulled under a held weight it counts as locked, and the others give way; where nothing can give, the weight does.
      const held = { ...head, locks: isSize ? [...new Set([...locks, key])] : locks };
      settle({ ...base, head: canGive ? held : { ...head, target: undefined } }, isLive);
    },
    [document, settle, tell],
  );
  const onTarget = useCallback(
    (grams: number, isLive: boolean) => {
      const base = pulled.current ?? document;
      const target = { grams, of: document.head.target?.of ?? ('metal' as const) };
      settle({ ...base, head: { ...base.head, target } }, isLive);
    },
    [document, settle],
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
    [document, onDimension, pull],
  );
  const onSettle = useCallback(() => {
    if (pulled.current) void commit(pulled.current);
  }, [commit]);
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
    isSettling: pulling || whollyOf !== wholeJob,
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
