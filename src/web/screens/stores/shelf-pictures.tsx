import type { ReactNode } from 'react';
import type { LineRow, Stores, WaterRow } from '../../../contract/api.ts';
import { lineDiameter, waterDensity } from '../../../core/material/index.ts';
import { markedRound } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { metalClass } from '../../drawing/side-figure.tsx';
import { ballDiameter, shownTests, shownWeight, stemUnder } from './shelf-measures.ts';

/** Pixels to a millimetre of a ball, of a line’s section, and of a hydrometer. */
const SCALE = { ball: 3.6, line: 90, stem: 1.5 } as const;

/** One thing on a shelf: its picture, and what it is called under it. */
function Piece({
  wide,
  high,
  label,
  name,
  lines,
  children,
}: {
  readonly wide: number;
  readonly high: number;
  /** what the picture shows, for who does not see it */
  readonly label: string;
  readonly name: string;
  readonly lines: readonly string[];
  readonly children: ReactNode;
}) {
  return (
    <li>
      <svg width={wide} height={high} viewBox={`0 0 ${wide} ${high}`} role="img" aria-label={label}>
        {children}
      </svg>
      <b>{name}</b>
      {lines.map((line) => (
        <small key={line}>{line}</small>
      ))}
    </li>
  );
}

/** What is round in section, with its diameter under it. */
function Disc({
  diameter,
  scale,
  name,
  label = name,
  className,
}: {
  /** mm */
  readonly diameter: number;
  /** pixels to a millimetre */
  readonly scale: number;
  readonly name: string;
  /** what it is a section of, where its name does not say */
  readonly label?: string;
  readonly className: string;
}) {
  const { format } = useUnits();
  const [radius, said] = [(diameter * scale) / 2, format(diameter, 'size')];
  const side = 2 * radius + 4;
  return (
    <Piece wide={side} high={side} name={name} label={`${label}: ${said} across`} lines={[`⌀ ${said}`]}>
      <circle cx={side / 2} cy={side / 2} r={radius} className={className} />
    </Piece>
  );
}

/** The same weight in every metal, as balls to one scale. */
export function MetalPictures({ metals }: { readonly metals: Stores['metals'] }) {
  const { format, system } = useUnits();
  const grams = shownWeight(system);
  return (
    <section className="shelf-pictures" aria-label={`${format(grams, 'mass')} of each metal`}>
      <h2>{format(grams, 'mass')} of each, to one scale</h2>
      <ul>
        {metals.map(({ key, name, density }) => (
          <Disc
            key={key}
            diameter={ballDiameter(grams, density)}
            scale={SCALE.ball}
            name={name}
            className={`fig-metal ${metalClass(key)}`}
          />
        ))}
      </ul>
    </section>
  );
}

/** Every line’s sections to one scale, each beside its test. */
export function LinePictures({ lines }: { readonly lines: readonly LineRow[] }) {
  const { say, system } = useUnits();
  return (
    <section className="shelf-pictures" aria-label="Sections of lines">
      <h2>Sections to one scale, by test</h2>
      <div className="shelf-sorts">
        {lines.map(({ key, material }) => (
          <section key={key} aria-label={material}>
            <h3>{material}</h3>
            <ul>
              {shownTests(system).map((test) => {
                const name = say(markedRound(test, 'lineTest'));
                return (
                  <Disc
                    key={test}
                    diameter={lineDiameter(key, test)}
                    scale={SCALE.line}
                    name={name}
                    label={`${material} of ${name}`}
                    className={`line-section line-${key}`}
                  />
                );
              })}
            </ul>
          </section>
        ))}
      </div>
    </section>
  );
}

/** Size of a column of water, px: its width, its surface, its floor. */
const COLUMN = { wide: 84, surface: 72, floor: 186 } as const;
/** The hydrometer’s bulb and the length of its stem, px. */
const BULB = { across: 15, high: 44 } as const;
const STEM = 76;

/** Every water as a column, with the same hydrometer floating in each. */
export function WaterPictures({ waters }: { readonly waters: readonly WaterRow[] }) {
  const { format } = useUnits();
  return (
    <section className="shelf-pictures" aria-label="Columns of water">
      <h2>The same hydrometer in each: the denser the water, the higher it floats</h2>
      <ul>
        {waters.map(({ key, name, temperature, salinity }) => {
          const density = waterDensity({ temperature, salinity }) / 1000;
          const top = COLUMN.surface + stemUnder(density) * SCALE.stem - STEM;
          const [middle, shoulder] = [COLUMN.wide / 2, top + STEM];
          return (
            <Piece
              key={key}
              wide={COLUMN.wide}
              high={COLUMN.floor + 2}
              name={name}
              label={`${name}: ${density.toFixed(4)} grams to the cubic centimetre`}
              lines={[
                `${format(temperature, 'temperature')}, ${salinity} g/kg`,
                `${density.toFixed(4)} g/cm³`,
              ]}
            >
              <rect
                x="1"
                y={COLUMN.surface}
                width={COLUMN.wide - 2}
                height={COLUMN.floor - COLUMN.surface}
                className="water-column"
              />
              <rect x={middle - 3} y={top} width="6" height={STEM} className="hydrometer" />
              {[0, 1, 2, 3, 4, 5, 6].map((i) => (
                <line
                  key={i}
                  x1={middle - 3}
                  x2={middle + (i % 2 === 0 ? 3 : 0)}
                  y1={top + 6 + i * 10}
                  y2={top + 6 + i * 10}
                  className="hydrometer"
                />
              ))}
              <rect
                x={middle - BULB.across / 2}
                y={shoulder}
                width={BULB.across}
                height={BULB.high}
                rx={BULB.across / 2}
                className="hydrometer"
              />
              <rect
                x={middle - BULB.across / 2 + 3}
                y={shoulder + BULB.high - 15}
                width={BULB.across - 6}
                height="12"
                rx="4"
                className="hydrometer-shot"
              />
              <path
                d={`M1 ${COLUMN.surface - 30} V${COLUMN.floor} H${COLUMN.wide - 1} V${COLUMN.surface - 30}`}
                className="water-glass"
              />
            </Piece>
          );
        })}
      </ul>
    </section>
  );
}
