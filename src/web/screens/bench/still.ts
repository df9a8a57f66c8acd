import { itemAt, triple } from '../../../core/numeric/index.ts';
import type { Vec3 } from '../../../core/numeric/index.ts';
import { token } from '../../parts/theme.ts';
import type { SolidModel } from '../../workers/judge.worker.ts';

/**
 * Draws a head as a still shaded picture without WebGL: facets from far to near, each as bright as it faces
 * the light. `around` and `over` in radians.
 */
export function drawStill(canvas: HTMLCanvasElement, model: SolidModel, around: number, over: number): void {
  const pen = canvas.getContext('2d');
  if (!pen) return;
  const { width, height } = canvas;
  // Asked once: each asks the style sheets anew.
  const [sheet, steel, fibre] = [token('--solid-sheet'), token('--solid-steel'), token('--solid-fibre')];
  pen.fillStyle = sheet;
  pen.fillRect(0, 0, width, height);
  const [ca, sa, co, so] = [Math.cos(around), Math.sin(around), Math.cos(over), Math.sin(over)];
  /** To the eye: right, up, near. */
  const turn = ([x, y, z]: Vec3): Vec3 => {
    const [right, away] = [x * ca - y * sa, x * sa + y * ca];
    return [right, z * co + away * so, z * so - away * co];
  };
  const { positions: p, triangles, wires } = model;
  const corner = (i: number): Vec3 => turn([p[3 * i] ?? 0, p[3 * i + 1] ?? 0, p[3 * i + 2] ?? 0]);
  const points = Array.from({ length: p.length / 3 }, (_, i) => corner(i));
  const lines = wires.map((wire) => ({ ...wire, path: wire.path.map(turn) }));
  const all = [...points, ...lines.flatMap(({ path }) => path)];
  const span = (axis: 0 | 1) =>
    [Math.min(...all.map((q) => q[axis])), Math.max(...all.map((q) => q[axis]))] as const;
  const [x0, x1] = span(0);
  const [y0, y1] = span(1);
  const k = Math.min((width - 40) / (x1 - x0), (height - 40) / (y1 - y0));
  const at = ([x, y]: Vec3) =>
    [width / 2 + (x - (x0 + x1) / 2) * k, height / 2 - (y - (y0 + y1) / 2) * k] as const;
  const facets = Array.from({ length: triangles.length / 3 }, (_, i) => {
    const [a, b, c] = triple((n) => itemAt(points, itemAt(triangles, 3 * i + n)));
    const u = [b[0] - a[0], b[1] - a[1], b[2] - a[2]] as const;
    const v = [c[0] - a[0], c[1] - a[1], c[2] - a[2]] as const;
    const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]] as const;
    const size = Math.hypot(...n) || 1;
    return {
      a,
      b,
      c,
      near: (a[2] + b[2] + c[2]) / 3,
      faces: n[2] / size,
      light: (n[0] * 0.35 + n[1] * 0.75 + n[2] * 0.55) / size,
    };
  });
  const draws = [
    ...facets
      .filter(({ faces }) => faces > 0)
      .map((facet) => ({ near: facet.near, draw: () => paint(facet) })),
    ...lines.flatMap(({ path, diameter, of }) =>
      path.slice(1).map((to, i) => ({
        near: (to[2] + (path[i]?.[2] ?? 0)) / 2,
        draw: () => stroke(itemAt(path, i), to, diameter, of),
      })),
    ),
  ].sort((a, b) => a.near - b.near);
  for (const { draw } of draws) draw();

  function paint({ a, b, c, light }: (typeof facets)[number]): void {
    if (!pen) return;
    const shade = Math.round(95 + 120 * Math.max(0, light));
    pen.fillStyle = pen.strokeStyle = `rgb(${shade} ${shade + 4} ${shade + 6})`;
    pen.lineWidth = 0.6;
    pen.beginPath();
    pen.moveTo(...at(a));
    pen.lineTo(...at(b));
    pen.lineTo(...at(c));
    pen.closePath();
    pen.fill();
    pen.stroke();
  }
  function stroke(from: Vec3, to: Vec3, diameter: number, of: string): void {
    if (!pen) return;
    pen.strokeStyle = of === 'guard' ? fibre : steel;
    pen.lineCap = 'round';
    pen.lineWidth = diameter * k;
    pen.beginPath();
    pen.moveTo(...at(from));
    pen.lineTo(...at(to));
    pen.stroke();
  }
}
