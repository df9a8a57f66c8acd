import { useEffect, useMemo, useRef, useState } from 'react';
import type { KeyboardEvent } from 'react';
import type { Surroundings } from '../../../core/behaviour/index.ts';
import type { Design } from '../../../core/document/index.ts';
import { useDark } from '../../parts/theme.ts';
import { Loading } from '../../parts/states.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { SolidModel } from '../../workers/judge.worker.ts';
import type { SolidScene } from './solid-scene.ts';
import { solidScene } from './solid-scene.ts';
import { drawStill } from './still.ts';

interface Props {
  readonly design: Design;
  readonly surroundings: Surroundings;
}

interface Job {
  readonly design: Design;
  readonly surroundings: Surroundings;
}
const runModel = ({ design, surroundings }: Job): Promise<SolidModel | undefined> =>
  judgeWorker('later').model(design, surroundings);

/** One press of an arrow key, radians. */
const STEP = Math.PI / 18;

/**
 * Whether this browser draws solids; asked of a canvas of its own, since one asked in vain gives nothing
 * else.
 */
function hasWebGl(): boolean {
  try {
    return document.createElement('canvas').getContext('webgl2') !== null;
  } catch {
    return false;
  }
}

/**
 * The head in 3D, with hook, keeper and guard; a still picture, turned by the same keys, where there is no
 * WebGL.
 */
export function Solid({ design, surroundings }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const frame = useRef<HTMLDivElement>(null);
  const scene = useRef<SolidScene | undefined>(undefined);
  const [isStill] = useState(() => !hasWebGl());
  const [view, setView] = useState({ around: 0.7, over: 0.4 });
  const job = useMemo<Job>(() => ({ design, surroundings }), [design, surroundings]);
  const { output: model } = useJudged(job, runModel);
  const isDark = useDark();

  useEffect(() => {
    const [element, box] = [canvas.current, frame.current];
    if (isStill || !element || !box) return;
    scene.current = solidScene(element);
    const observer = new ResizeObserver(([entry]) => {
      if (entry) scene.current?.resize(entry.contentRect.width, entry.contentRect.height);
    });
    observer.observe(box);
    return () => {
      observer.disconnect();
      scene.current?.dispose();
      scene.current = undefined;
    };
    // The sheet and the light are of the scene: in another light it is set up anew.
  }, [isStill, isDark]);
  useEffect(() => {
    if (model) scene.current?.show(model, design.head.metal);
  }, [model, design.head.metal, isDark]);
  useEffect(() => {
    const element = canvas.current;
    if (!isStill || !element || !model) return;
    const box = frame.current?.getBoundingClientRect();
    element.width = Math.round(box?.width ?? 700);
    element.height = Math.round(box?.height ?? 400);
    drawStill(element, model, view.around, view.over);
  }, [isStill, model, view, isDark]);

  const turn = (around: number, over: number) => {
    scene.current?.turn(around, over);
    if (isStill) setView((now) => ({ around: now.around + around, over: now.over - over }));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const acts: Record<string, () => void> = {
      ArrowLeft: () => turn(-STEP, 0),
      ArrowRight: () => turn(STEP, 0),
      ArrowUp: () => turn(0, -STEP),
      ArrowDown: () => turn(0, STEP),
      '+': () => scene.current?.zoom(0.88),
      '-': () => scene.current?.zoom(1 / 0.88),
      Home: () => scene.current?.reset(),
    };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
  return (
    <div
      className="solid"
      ref={frame}
      tabIndex={0}
      role="img"
      aria-label={`${design.name} as a solid. Arrow keys turn it, plus and minus bring it nearer, Home sets it back.`}
      onKeyDown={onKeyDown}
      data-shown={model !== undefined}
      data-still={isStill}
    >
      <canvas ref={canvas} />
      {!model && <Loading what="the solid" />}
      <p className="solid-help">
        {isStill
          ? 'A still picture: this browser has no WebGL. Arrow keys turn it.'
          : 'Drag to turn, wheel to come nearer; or arrow keys, + and −, Home.'}
      </p>
    </div>
  );
}
