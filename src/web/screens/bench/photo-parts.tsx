import { useRef } from 'react';
import type { PointerEvent } from 'react';
import type { Design } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';

/** A photograph as a design keeps it. */
export type Placed = NonNullable<Design['photo']>;

/** A place on the picture, in its own pixels. */
export type Mark = readonly [number, number];

interface ToolsProps {
  readonly hasPicture: boolean;
  /** the photograph that lies there now */
  readonly placed: Placed | undefined;
  /** distance between the marks as typed */
  readonly length: string;
  readonly flipped: boolean;
  readonly onFile: (file: File) => void;
  readonly onLength: (text: string) => void;
  readonly onFlip: (flipped: boolean) => void;
  readonly onRemove: () => void;
}

/** Which picture, how far its marks are apart, and which way up. */
export function PhotoTools({
  hasPicture,
  placed,
  length,
  flipped,
  onFile,
  onLength,
  onFlip,
  onRemove,
}: ToolsProps) {
  const { format } = useUnits();
  const input = useRef<HTMLInputElement>(null);
  return (
    <div className="photo-tools">
      <button type="button" className="btn btn-quiet" onClick={() => input.current?.click()}>
        {hasPicture ? 'Another picture …' : 'Choose a picture …'}
      </button>
      <input
        ref={input}
        hidden
        type="file"
        accept="image/*"
        aria-label="Photograph"
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          event.currentTarget.value = '';
          if (file) onFile(file);
        }}
      />
      <label>
        Distance between the marks{' '}
        <input
          inputMode="decimal"
          value={length}
          placeholder={placed ? format(placed.length, 'size') : 'by caliper'}
          onChange={(event) => onLength(event.currentTarget.value)}
        />
      </label>
      <label>
        <input type="checkbox" checked={flipped} onChange={(event) => onFlip(event.currentTarget.checked)} />{' '}
        upside down
      </label>
      {placed && (
        <button type="button" className="btn btn-quiet" onClick={onRemove}>
          Remove the photograph
        </button>
      )}
    </div>
  );
}

/** Where a pointer is on a picture, to a tenth of its pixel. */
function placeOf(event: PointerEvent<SVGSVGElement>): Mark | undefined {
  const matrix = event.currentTarget.getScreenCTM();
  if (!matrix) return undefined;
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
  return [Math.round(x * 10) / 10, Math.round(y * 10) / 10];
}

interface MarkedProps {
  readonly picture: string;
  readonly size: readonly [number, number];
  readonly rear: Mark | undefined;
  readonly nose: Mark | undefined;
  /** which mark a tap sets */
  readonly next: 'rear' | 'nose';
  readonly onMark: (at: Mark) => void;
  readonly onNext: (next: 'rear' | 'nose') => void;
}

/** The picture, on which a tap sets a mark. */
export function MarkedPhoto({
  picture,
  size: [width, height],
  rear,
  nose,
  next,
  onMark,
  onNext,
}: MarkedProps) {
  return (
    <>
      <p>
        Tap{' '}
        {next === 'rear'
          ? 'where the rear face meets the line of the shank'
          : 'where the nose meets that line'}
        ;{' '}
        <button
          type="button"
          className="btn-link-brass"
          onClick={() => onNext(next === 'rear' ? 'nose' : 'rear')}
        >
          set the {next === 'rear' ? 'nose' : 'rear'} instead
        </button>
        . Photograph it square from the side, from far off, with the hook’s plane in the picture.
      </p>
      <svg
        className="photo-picture"
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label="The photograph with its two marks"
        onPointerDown={(event) => {
          const at = placeOf(event);
          if (at) onMark(at);
        }}
      >
        <image href={picture} width={width} height={height} />
        <Cross at={rear} name="rear" width={width} />
        <Cross at={nose} name="nose" width={width} />
      </svg>
    </>
  );
}

/** A mark on the picture with its name. */
function Cross({
  at,
  name,
  width,
}: {
  readonly at: Mark | undefined;
  readonly name: string;
  readonly width: number;
}) {
  if (!at) return null;
  return (
    <g className="photo-mark">
      <title>{name}</title>
      <path
        d={`M${at[0] - width / 50} ${at[1]}h${width / 25}M${at[0]} ${at[1] - width / 50}v${width / 25}`}
      />
      <text x={at[0] + width / 60} y={at[1] - width / 60} fontSize={width / 40}>
        {name}
      </text>
    </g>
  );
}
