import { float64At, itemAt, numberAt } from '../numeric/at.ts';
import { LuDecomposition, Matrix } from 'ml-matrix';
import { HOOK_MODULUS } from '../material/densities.ts';

/** A place in the hook's plane: along the shank, and up to the point, mm. */
export type Place = readonly [x: number, z: number];

/** Returns the distance of two places, mm. */
export const between = (a: Place, b: Place): number => Math.hypot(b[0] - a[0], b[1] - a[1]);

/**
 * Stiffness left once steel yields, as a share of it: hardened wire goes on hardening a little (working
 * value, no source).
 */
const HARDENING = 0.01;

/**
 * Moment of a round section over the one it yields at, for a curvature over the one it yields at, and how
 * steeply it rises: elastic and perfectly plastic, fibre by fibre, with a little hardening. From π/4 σ c³ it
 * nears the plastic moment 4/3 σ c³, d³/6 (Roark, Formulas for Stress and Strain; any handbook). Odd in the
 * curvature.
 */
export function momentOver(curvature: number): readonly [moment: number, slope: number] {
  const size = Math.abs(curvature);
  if (size <= 1) return [curvature, 1];
  // The core that is still elastic, as a share of the half thickness.
  const e = 1 / size;
  const core = Math.asin(e) - e * Math.sqrt(1 - e * e) * (1 - 2 * e * e);
  const plastic = ((4 / 3) * (1 - e * e) ** 1.5 + core / (2 * e)) / (Math.PI / 4);
  const slope = HARDENING + ((1 - HARDENING) * 2 * core) / Math.PI;
  return [Math.sign(curvature) * (HARDENING * size + (1 - HARDENING) * plastic), slope];
}

/** Where the load sits in a shape, mm, the unit vector from there to the tie, and how far off that is, mm. */
type Line = Readonly<Record<'lx' | 'lz' | 'ux' | 'uz' | 'reach', number>>;

/**
 * A wire held at one end and pulled at the other towards the tie, as a chain of stiff pieces that turn
 * against each other at its corners as the section bends, elastic and then plastic. In balance the moment of
 * every corner is the pull times its distance from the line in the bent shape (Newton's method from the shape
 * before, so that it is asked with pulls that rise in steps; its slopes are kept while they serve).
 */
export class BentWire {
  private curvatures: Float64Array;
  private slopes: LuDecomposition | undefined;
  private readonly lengths: readonly number[];
  private readonly yields: number;
  private readonly bends: number;
  private readonly x: Float64Array;
  private readonly z: Float64Array;

  constructor(
    private readonly chain: readonly Place[],
    private readonly tie: Place,
    diameter: number,
    yieldStrength: number,
  ) {
    const c = diameter / 2;
    this.yields = (Math.PI / 4) * c ** 3 * yieldStrength;
    this.bends = yieldStrength / (HOOK_MODULUS * c);
    const count = chain.length - 1;
    this.curvatures = new Float64Array(count);
    this.x = new Float64Array(count + 1);
    this.z = new Float64Array(count + 1);
    this.lengths = chain.slice(0, -1).map((place, i) => {
      const [before, after] = [chain[i - 1], itemAt(chain, i + 1)];
      return ((before ? between(before, place) : 0) + between(place, after)) / 2;
    });
  }

  /** Curvature of each corner over the one it yields at. */
  get shape(): Float64Array {
    return this.curvatures.slice();
  }
  set shape(curvatures: Float64Array) {
    this.curvatures = curvatures.slice();
  }

  /** Takes the shape of a pull, N; false where none is found, and then it keeps the one it had. */
  pulled(pull: number): boolean {
    const kept = this.shape;
    const { curvatures, lengths, bends } = this;
    const n = curvatures.length;
    const right = Matrix.zeros(n, 1);
    let before = Infinity;
    for (let round = 0; round < MOST_ROUNDS; round++) {
      this.lay();
      const { line, worst } = this.balance(pull, right);
      if (worst < BALANCED) return true;
      // The slopes of a shape nearby do as long as they bring it on; anew they take many times what a round
      // takes.
      if (!this.slopes || worst > SLOW * before) this.slopes = new LuDecomposition(this.slopesAt(pull, line));
      before = worst;
      const change = this.slopes.solve(right).to1DArray();
      const most = change.reduce(
        (most, by, i) => Math.max(most, Math.abs(by) * bends * numberAt(lengths, i)),
        0,
      );
      const share = Math.min(1, MOST_TURN / most);
      for (let i = 0; i < n; i++) curvatures[i] = float64At(curvatures, i) + share * numberAt(change, i);
    }
    this.curvatures = kept;
    this.slopes = undefined;
    return false;
  }

  /**
   * What is over at each corner, of the moment it yields at, for a pull: its negative in `right`, and the
   * worst of it.
   */
  private balance(pull: number, right: Matrix): { readonly line: Line; readonly worst: number } {
    const { curvatures, yields, x, z, tie } = this;
    const n = curvatures.length;
    const [lx, lz] = [float64At(x, n), float64At(z, n)];
    const reach = Math.hypot(tie[0] - lx, tie[1] - lz);
    const [ux, uz] = [(tie[0] - lx) / reach, (tie[1] - lz) / reach];
    let worst = 0;
    for (let j = 0; j < n; j++) {
      const [rx, rz] = [lx - float64At(x, j), lz - float64At(z, j)];
      // The load pulls away from the tie: −u.
      const over = momentOver(float64At(curvatures, j))[0] - (pull * (rz * ux - rx * uz)) / yields;
      worst = Math.max(worst, Math.abs(over));
      right.set(j, 0, -over);
    }
    return { line: { lx, lz, ux, uz, reach }, worst };
  }

  /** How what is over at each corner j changes with the curvature of each corner i. */
  private slopesAt(pull: number, { lx, lz, ux, uz, reach }: Line): Matrix {
    const { curvatures, lengths, yields, bends, x, z } = this;
    const n = curvatures.length;
    const slopes = Matrix.zeros(n, n);
    for (let j = 0; j < n; j++) {
      const [rx, rz] = [lx - float64At(x, j), lz - float64At(z, j)];
      const [, slope] = momentOver(float64At(curvatures, j));
      for (let i = 0; i < n; i++) {
        const turn = bends * numberAt(lengths, i);
        // What a turn at corner i does to the load, and to corner j where that lies behind it.
        const [gx, gz] = [-(lz - float64At(z, i)) * turn, (lx - float64At(x, i)) * turn];
        const [dx, dz] = i < j ? [-rz * turn, rx * turn] : [gx, gz];
        const along = gx * ux + gz * uz;
        const [dux, duz] = [-(gx - ux * along) / reach, -(gz - uz * along) / reach];
        const moved = (pull * (dz * ux + rz * dux - dx * uz - rx * duz)) / yields;
        slopes.set(j, i, (i === j ? slope : 0) - moved);
      }
    }
    return slopes;
  }

  /** Angle each corner has turned under the pull, radians. */
  turned(): Float64Array {
    return this.curvatures.map((curvature, i) => curvature * this.bends * numberAt(this.lengths, i));
  }

  /** Angle each corner keeps when released, radians: unloading is elastic. */
  turnedForGood(): Float64Array {
    return this.curvatures.map(
      (curvature, i) => (curvature - momentOver(curvature)[0]) * this.bends * numberAt(this.lengths, i),
    );
  }

  private lay(): void {
    const { chain, curvatures, lengths, bends, x, z } = this;
    [x[0], z[0]] = itemAt(chain, 0);
    let angle = 0;
    for (let i = 0; i < curvatures.length; i++) {
      angle += float64At(curvatures, i) * bends * numberAt(lengths, i);
      const [a, b] = [itemAt(chain, i), itemAt(chain, i + 1)];
      const [dx, dz, cos, sin] = [b[0] - a[0], b[1] - a[1], Math.cos(angle), Math.sin(angle)];
      x[i + 1] = float64At(x, i) + dx * cos - dz * sin;
      z[i + 1] = float64At(z, i) + dx * sin + dz * cos;
    }
  }
}

/** Share of what was over before a round that may be left after it with slopes of another shape. */
const SLOW = 0.3;
/**
 * How near to balance a corner must be, over the moment it yields at; rounds that are tried; and the most a
 * corner turns in one, radians.
 */
const BALANCED = 1e-6;
const MOST_ROUNDS = 40;
const MOST_TURN = 0.1;
