import { describe, expect, it } from 'vitest';
import { costOf, lossPerHour } from './costing.ts';
import { cureVerdict } from './cure.ts';
import { heatTo, meltingOf } from './melting.ts';
import type { Melting } from '../material/metals/metal.ts';
import { pourPlan, workSteps } from './plan.ts';
import type { Pan } from './scale-reader.ts';
import { EMPTY_PAN, followScale, readScaleLine } from './scale-reader.ts';
import { simulatedScale } from './simulated-scale.ts';

const melting = (key: string): Melting => {
  const found = meltingOf(key);
  if (!found) throw new Error(key);
  return found;
};

describe('melting', () => {
  // CRC Handbook of Chemistry and Physics: melting point °C, enthalpy of fusion kJ/mol, molar mass (values
  // from memory).
  it.each([
    ['lead', 327.46, 4.782, 207.2],
    ['tin', 231.93, 7.148, 118.71],
    ['bismuth', 271.4, 11.13, 208.98],
    ['zinc', 419.53, 7.068, 65.38],
  ])('of %s is the handbook’s', (key, point, molar, mass) => {
    expect(melting(key).liquid).toBeCloseTo(point, 0);
    expect(melting(key).fusion / ((molar / mass) * 1000)).toBeCloseTo(1, 2);
    // Dulong and Petit (1819): 3R = 24.9 J/(mol K) near room temperature, for solids of heavy elements within
    // a tenth.
    expect((melting(key).heat[0] * mass) / 24.94).toBeGreaterThan(0.98);
    expect((melting(key).heat[0] * mass) / 24.94).toBeLessThan(1.12);
  });
  it('a kilogram of lead from 20 to 400 °C takes the sum of its three parts', () => {
    // 0.129·307.5 + 23.1 + 0.148·72.5 by hand.
    expect(heatTo(melting('lead'), 20, 400)).toBeCloseTo(73.5, 1);
    expect(heatTo(melting('lead'), 20, 300)).toBeCloseTo(0.129 * 280, 6);
    expect(meltingOf('tungsten')).toBeUndefined();
    expect(meltingOf('toString')).toBeUndefined();
  });
  it('the eutectic of bismuth and tin lies between what 58 and 42 hundredths of them give', () => {
    const { heat, fusion } = melting('bismuth-tin');
    expect(heat[0]).toBeCloseTo(0.58 * 0.122 + 0.42 * 0.227, 2);
    expect(fusion / (0.58 * 53.3 + 0.42 * 60.2)).toBeCloseTo(1, 1);
  });
});

const inputs = {
  melting: melting('lead'),
  castPerShot: 40,
  spruePerShot: 20,
  heads: 100,
  cavities: 4,
  rejects: 0.2,
  loss: 0.05,
  watts: 500,
  efficiency: 0.6,
  pot: 2000,
  room: 20,
  at: 400,
  perShot: 60,
};

describe('a pour', () => {
  it('needs heads, sprues, rejects and loss; sprues and rejects come back', () => {
    const plan = pourPlan(inputs);
    expect(plan.shots).toBe(32); // 100/0.8/4, rounded up
    expect(plan.melted).toBeCloseTo((32 * 60) / 0.95, 8);
    // What is gone: sound heads and loss.
    expect(plan.used).toBeCloseTo(32 * 40 * 0.8 + 0.05 * plan.melted, 6);
    expect(plan.pots).toBe(2);
    // All melted and the tenth that stays, at 73.5 kJ/kg through 300 W.
    expect(plan.heat).toBeCloseTo(((plan.melted + 200) / 1000) * heatTo(melting('lead'), 20, 400), 6);
    expect(plan.firstMelt).toBeCloseTo((2 * heatTo(melting('lead'), 20, 400)) / 0.3, 4);
    expect(plan.whole).toBeCloseTo(plan.heat / 0.3 + 32 * 60, 4);
    expect(plan.energy).toBeCloseTo(plan.heat / 0.6 / 3600, 10);
    expect(plan.wanted).toBeGreaterThan(plan.used);
  });
  it('is worked in an order with a caution at each step, lead’s own where it is lead', () => {
    const steps = workSteps(pourPlan(inputs), { name: 'lead', isLead: true }, { celsius: 177, minutes: 15 });
    expect(steps.map(({ key }) => key)).toEqual([
      'dry',
      'air',
      'melt',
      'warm',
      'pour',
      'trim',
      'paint',
      'cure',
      'clean',
    ]);
    expect(steps.find(({ key }) => key === 'cure')?.seconds).toBe(900);
    expect(steps.find(({ key }) => key === 'pour')?.seconds).toBe(
      Math.max(0, pourPlan(inputs).whole - pourPlan(inputs).firstMelt),
    );
    expect(steps.every(({ caution }) => caution.length > 20)).toBe(true);
    expect(steps.map(({ caution }) => caution).join(' ')).toMatch(/Lead fume/);
    const tin = workSteps(pourPlan(inputs), { name: 'tin', isLead: false }, undefined);
    expect(tin.some(({ key }) => key === 'cure')).toBe(false);
    expect(tin.map(({ caution }) => caution).join(' ')).not.toMatch(/[Ll]ead/);
  });
});

describe('curing', () => {
  const schedule = { celsius: 177, seconds: 900 };
  it('counts the time the heads are hot, by straight lines', () => {
    // Rises from 20 to 177 at 471 s of 600 (20 → 220), held at 190, cooled: above from 471 to 1500 and
    // (190−177)/(190−20) of the last 300 s.
    const log = [
      { at: 0, celsius: 20 },
      { at: 600, celsius: 190 },
      { at: 1500, celsius: 190 },
      { at: 1800, celsius: 20 },
    ];
    const rising = (600 * (190 - 177)) / 170;
    expect(cureVerdict(schedule, log).held).toBeCloseTo(rising + 900 + (300 * 13) / 170, 8);
    expect(cureVerdict(schedule, log).isCured).toBe(true);
    expect(cureVerdict(schedule, log.slice(0, 2)).isCured).toBe(false);
    expect(cureVerdict(schedule, [])).toMatchObject({ held: 0, isCured: false });
  });
  it('says when the metal would soften first, and when it got too hot', () => {
    expect(cureVerdict(schedule, [], melting('bismuth-tin')).words).toMatch(/dries in air/);
    const hot = [0, 2000].map((at) => ({ at, celsius: 230 }));
    expect(cureVerdict(schedule, hot, melting('lead')).words).toMatch(/yellowed/);
  });
});

describe('cost', () => {
  it('adds up, and sound heads carry what rejects lose', () => {
    const found = costOf({
      metal: 10,
      lost: 1,
      metalPrice: 3,
      hook: 0.2,
      wire: 0.05,
      guard: 0,
      paint: 0.04,
      energy: 0.02,
      energyPrice: 0.3,
      time: 45,
      wage: 16,
      rejects: 0.1,
    });
    // 0.033 + 0.2 + 0.05 + 0.04 + 0.006 + 0.2; of rejects (0.2 + 0.05)/9.
    expect(found.total).toBeCloseTo(0.529 + 0.25 / 9, 10);
    expect(lossPerHour(6, 4, 0.5)).toBeCloseTo(0.75, 10);
  });
  it.each([0, 0.08, 0.3])('with %d rejects is all bills over the sound heads', (rejects) => {
    const lead = melting('lead');
    const [cast, sprue, cavities, heads] = [14, 3, 6, 500];
    const plan = pourPlan({
      melting: lead,
      castPerShot: cast * cavities,
      spruePerShot: sprue * cavities,
      heads,
      cavities,
      rejects,
      loss: 0.03,
      watts: 500,
      efficiency: 0.65,
      pot: 4000,
      room: 20,
      at: 390,
      perShot: 60,
    });
    const [metalPrice, hook, wire, guard, paint, energyPrice, wage] = [4, 0.22, 0.03, 0.05, 0.04, 0.35, 18];
    const found = costOf({
      metal: cast,
      lost: plan.used / plan.sound - cast,
      metalPrice,
      hook,
      wire,
      guard,
      paint,
      energy: plan.energy / plan.sound,
      energyPrice,
      time: plan.whole / plan.sound,
      wage,
      rejects,
    });
    // A hook and a wire lie in every cavity of every shot; guards and paint go on what is sound.
    const poured = Math.ceil(heads / (1 - rejects) / cavities) * cavities;
    const sound = poured * (1 - rejects);
    const bills =
      ((sound * cast + (0.03 / 0.97) * poured * (cast + sprue)) / 1000) * metalPrice +
      poured * (hook + wire) +
      sound * (guard + paint) +
      plan.energy * energyPrice +
      (plan.whole / 3600) * wage;
    expect(found.total).toBeCloseTo(bills / sound, 9);
  });
});

describe('a scale', () => {
  it.each([
    ['S +0.93 g', 0.93, true],
    ['U +0.91 g', 0.91, false],
    ['ST,GS,+  1.94 g', 1.94, true],
    ['US,NT,-000.12 g', -0.12, false],
    ['   0,97', 0.97, undefined],
    ['1/4 is not read', NaN, undefined],
    ['0.0343 oz', 0.97239, undefined],
    ['30 gn', 1.94397, undefined],
  ])('line “%s” is read', (line, grams, steady) => {
    const read = readScaleLine(line);
    if (Number.isNaN(grams)) expect(read.kind).toBe('unreadable');
    else {
      expect(read).toMatchObject({ kind: 'weight', isSteady: steady });
      expect(read.kind === 'weight' && read.grams).toBeCloseTo(grams, 4);
    }
  });
  it('overload, noise and empty lines are no weights', () => {
    expect(readScaleLine('  ------ ').kind).toBe('over');
    expect(readScaleLine('OL g').kind).toBe('over');
    expect(readScaleLine('').kind).toBe('unreadable');
    expect(readScaleLine('#\u00ff1.9\u00ff:1.94').kind).toBe('unreadable');
    expect(readScaleLine('1.94 stones').kind).toBe('unreadable');
  });
  it('tells a piece once, when it lies still, and the next after the pan was empty', () => {
    let pan: Pan = EMPTY_PAN;
    const told: number[] = [];
    const lines = [
      '0.00',
      '0.00',
      '1.2',
      '1.9',
      '1.94',
      '1.94',
      '1.94',
      '1.94',
      '1.94',
      '1.95',
      '0.4',
      '0.00',
      '0.01',
    ];
    for (const line of [...lines, 'garbage', '1.91', '1.91', '1.91', '1.91']) {
      const step = followScale(pan, line, 0.1);
      pan = step.pan;
      if (step.piece !== undefined) told.push(step.piece);
    }
    expect(told).toEqual([1.94, 1.91]);
    // A piece of just the least is one; what pulls the pan up as hard as that is told too, a hair less is an
    // empty pan.
    const lying = (grams: string) =>
      Array.from({ length: 4 }).reduce<{ pan: Pan; piece?: number }>(
        ({ pan: at, piece }) => ({
          ...(piece === undefined ? {} : { piece }),
          ...followScale(at, grams, 0.1),
        }),
        { pan: EMPTY_PAN },
      ).piece;
    expect([lying('0.10'), lying('0.09'), lying('-0.10')]).toEqual([0.1, undefined, -0.1]);
    expect(pan.unreadable).toBe(1);
  });
  it('played, it wavers, comes to rest within two digits, tares, changes units and can be unplugged', () => {
    let seed = 5;
    const scale = simulatedScale(() => (seed = (seed * 16807) % 2147483647) / 2147483647);
    const run = (steps: number) => {
      let pan: Pan = EMPTY_PAN;
      const told: number[] = [];
      let unreadable = 0;
      for (let i = 0; i < steps; i++) {
        const line = scale.line(0.2);
        if (line === undefined) continue;
        const step = followScale(pan, line, 0.1);
        pan = step.pan;
        unreadable = pan.unreadable;
        if (step.piece !== undefined) told.push(step.piece);
      }
      return { told, unreadable, grams: pan.grams };
    };
    run(10);
    scale.act({ act: 'put', grams: 1.94 });
    const { told } = run(30);
    expect(told).toHaveLength(1);
    expect(told[0]).toBeCloseTo(1.94, 1);
    scale.act({ act: 'tare' });
    expect(run(5).grams).toBeCloseTo(0, 1);
    scale.act({ act: 'take' });
    expect(run(30).grams).toBeCloseTo(-1.94, 1);
    scale.act({ act: 'unit' });
    expect(run(8).grams).toBeCloseTo(-1.94, 1);
    expect(run(900).unreadable).toBeGreaterThan(0);
    scale.act({ act: 'plug', in: false });
    expect(scale.line(0.2)).toBeUndefined();
  });

  // A hand works by what it sees: it waits until a piece is noted, lifts it, and lays the next some tenths of
  // a second later, or does what the panel asks. The scale is the one that ships, at the rate of small
  // scales.
  describe('at the pace of a hand', () => {
    /** ms between two lines */
    const EVERY = 200;
    function weighed(seed: number, pieces: number, gap: (random: () => number) => number) {
      let state = seed;
      const random = () => (state = (state * 48271) % 2147483647) / 2147483647;
      const scale = simulatedScale(random);
      let [pan, clock, asked] = [EMPTY_PAN as Pan, 0, 0];
      const [laid, told]: [number[], number[]] = [[], []];
      /** Lets so many ms pass; lines come at their own moments. */
      const pass = (ms: number) => {
        for (let left = Math.round(ms); left > 0;) {
          const until = EVERY - (clock % EVERY);
          const step = Math.min(left, until);
          clock += step;
          left -= step;
          // Between its lines the pan settles too: what it would say there is not sent.
          const line = scale.line(step / 1000);
          if (step < until || line === undefined) continue;
          const read = followScale(pan, line, 0.08);
          pan = read.pan;
          if (read.piece !== undefined) told.push(read.piece);
        }
      };
      for (let i = 0; i < pieces; i++) {
        const grams = 1.5 + 0.1 * random();
        const before = told.length;
        laid.push(grams);
        scale.act({ act: 'put', grams });
        for (let waited = 0; told.length === before && waited < 60_000; waited += EVERY) {
          // To the next line: a piece is laid at any moment, and looked at when the scale speaks.
          pass(EVERY - (clock % EVERY));
          if (pan.doubt === undefined) continue;
          // Asked to: off with it, until the pan shows nothing, and on again.
          asked++;
          scale.act({ act: 'take' });
          pass(3000);
          scale.act({ act: 'put', grams });
        }
        pass(2000 * random());
        scale.act({ act: 'take' });
        pass(gap(random));
      }
      return { laid, told, asked };
    }

    it.each([3, 17, 29])('500 pieces, 0.3 to 3 s between them: none lost, none doubled (seed %i)', (seed) => {
      const { laid, told, asked } = weighed(seed, 500, (random) => 300 + 2700 * random());
      expect(told).toHaveLength(500);
      told.forEach((grams, i) => expect(Math.abs(grams - (laid[i] ?? NaN))).toBeLessThan(0.08));
      // Asking is for the hand that was too quick: not a habit.
      expect(asked).toBeLessThan(25);
    });

    it('a hand quicker than the scale is asked to take the piece off, and nothing is booked twice', () => {
      const { laid, told, asked } = weighed(11, 200, (random) => 80 + 100 * random());
      expect(asked).toBeGreaterThan(20);
      expect(told.length).toBeLessThanOrEqual(laid.length);
      told.forEach((grams, i) => expect(Math.abs(grams - (laid[i] ?? NaN))).toBeLessThan(0.12));
    });
  });

  it('a touched piece stays one, a changed one is asked about, and a zero that has wandered is no piece', () => {
    const follow = (lines: readonly string[]) => {
      let pan: Pan = EMPTY_PAN;
      const told: number[] = [];
      for (const line of lines) {
        const step = followScale(pan, line, 0.08);
        pan = step.pan;
        if (step.piece !== undefined) told.push(step.piece);
      }
      return { told, doubt: pan.doubt };
    };
    // Pressed upon and let go.
    expect(follow(['S 11.50 g', 'U 14.20 g', 'S 11.51 g'])).toEqual({ told: [11.5], doubt: undefined });
    // Another laid beside it; another in its place without a line that shows it gone; lifted a little and set
    // down.
    expect(follow(['S 11.50 g', 'U 15.00 g', 'S 22.90 g'])).toEqual({ told: [11.5], doubt: 'swapped' });
    expect(follow(['S 11.50 g', 'U 11.30 g', 'S 11.42 g'])).toEqual({ told: [11.5], doubt: 'swapped' });
    expect(follow(['S 11.50 g', 'U 8.00 g', 'S 11.50 g'])).toEqual({ told: [11.5], doubt: 'swapped' });
    // Off and on again, it is another piece.
    expect(follow(['S 11.50 g', 'U 8.00 g', 'S 11.42 g', 'S 0.00 g', 'S 11.42 g'])).toEqual({
      told: [11.5, 11.42],
      doubt: undefined,
    });
    // Under half of it, it was off, though the pan never showed nothing.
    expect(follow(['S 11.50 g', 'U 5.00 g', 'S 11.42 g'])).toEqual({ told: [11.5, 11.42], doubt: undefined });
    expect(follow(['S 11.50 g', 'U 0.30 g', 'S 0.12 g'])).toEqual({ told: [11.5], doubt: 'residue' });
  });
});
