import { useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import type { Design, Photo } from '../../../core/document/index.ts';
import { photoPlacement } from '../../../core/document/index.ts';
import { parseQuantity } from '../../../core/quantity/index.ts';
import { create } from '../../data/api.ts';
import { useUnits } from '../../data/units.ts';
import { Sheet, TakeOrLeave } from '../../parts/sheet.tsx';
import { pictureKept } from './picture.ts';
import './photo.css';

type Placed = NonNullable<Design['photo']>;

interface Props {
  readonly design: Design;
  readonly onPlace: (photo: Placed | undefined) => void;
  readonly onHide: () => void;
}

type Mark = readonly [number, number];

/** Lays a photograph under the plate: two marks on it and the distance between them give its scale, its place and its turn. */
export function PhotoSheet({ design, onPlace, onHide }: Props) {
  const { system, format } = useUnits();
  const input = useRef<HTMLInputElement>(null);
  const now = design.photo;
  const [photo, setPhoto] = useState<Photo | undefined>(undefined);
  const [rear, setRear] = useState<Mark | undefined>(now ? [now.rear[0], now.rear[1]] : undefined);
  const [nose, setNose] = useState<Mark | undefined>(now ? [now.nose[0], now.nose[1]] : undefined);
  const [next, setNext] = useState<'rear' | 'nose'>('rear');
  const [length, setLength] = useState('');
  const [flipped, setFlipped] = useState(now?.flipped ?? false);
  const [said, setSaid] = useState('');
  const [size, setSize] = useState<readonly [number, number] | undefined>(undefined);
  const shown = photo
    ? `data:${photo.media};base64,${photo.data}`
    : now
      ? `/api/photos/${now.id}/picture`
      : '';
  const [width, height] = photo ? [photo.width, photo.height] : (size ?? [4, 3]);
  const choose = async (file: File) => {
    try {
      setPhoto(await pictureKept(file));
      setRear(undefined);
      setNose(undefined);
      setNext('rear');
      setSaid('');
    } catch (error) {
      setSaid((error as Error).message);
    }
  };
  const mark = (event: PointerEvent<SVGSVGElement>) => {
    const matrix = event.currentTarget.getScreenCTM();
    if (!matrix) return;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    const at: Mark = [Math.round(x * 10) / 10, Math.round(y * 10) / 10];
    if (next === 'rear') {
      setRear(at);
      setNext('nose');
    } else setNose(at);
  };
  const lay = async () => {
    if (!rear || !nose) return setSaid('Mark the rear face and the nose on the picture first.');
    const read =
      length.trim() === '' && now
        ? { ok: true as const, value: now.length }
        : parseQuantity(length, 'size', system);
    if (!read.ok) return setSaid(`Distance between the marks: ${read.message}`);
    const placed = {
      rear: [...rear] as [number, number],
      nose: [...nose] as [number, number],
      length: read.value,
    };
    if (!(read.value >= 0.5 && read.value <= 500))
      return setSaid('Enter a distance between the marks from 0.5 to 500 mm.');
    if (!photoPlacement(placed)) return setSaid('The two marks lie on each other. Set one of them anew.');
    try {
      const id = photo ? (await create('photos', photo)).id : now?.id;
      if (!id) return setSaid('Choose a picture first.');
      onPlace({ id, ...placed, ...(flipped ? { flipped } : {}) });
      onHide();
    } catch (error) {
      setSaid((error as Error).message);
    }
  };
  const cross = (at: Mark | undefined, name: string) =>
    at && (
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
  return (
    <Sheet
      title="A photograph under the plate"
      size="xl"
      onHide={onHide}
      footer={
        <TakeOrLeave take="Lay it under" disabled={!shown} onTake={() => void lay()} onLeave={onHide} />
      }
    >
      <div className="photo-tools">
        <button type="button" className="btn btn-quiet" onClick={() => input.current?.click()}>
          {shown ? 'Another picture …' : 'Choose a picture …'}
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
            if (file) void choose(file);
          }}
        />
        <label>
          Distance between the marks{' '}
          <input
            inputMode="decimal"
            value={length}
            placeholder={now ? format(now.length, 'size') : 'by caliper'}
            onChange={(event) => setLength(event.currentTarget.value)}
          />
        </label>
        <label>
          <input
            type="checkbox"
            checked={flipped}
            onChange={(event) => setFlipped(event.currentTarget.checked)}
          />{' '}
          upside down
        </label>
        {now && (
          <button
            type="button"
            className="btn btn-quiet"
            onClick={() => {
              onPlace(undefined);
              onHide();
            }}
          >
            Remove the photograph
          </button>
        )}
      </div>
      {said && (
        <p className="field-said" role="alert">
          {said}
        </p>
      )}
      {shown ? (
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
              onClick={() => setNext(next === 'rear' ? 'nose' : 'rear')}
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
            onPointerDown={mark}
          >
            <image href={shown} width={width} height={height} />
            {cross(rear, 'rear')}
            {cross(nose, 'nose')}
          </svg>
          {!photo && now && (
            <img
              hidden
              src={shown}
              alt=""
              onLoad={(event) =>
                setSize([event.currentTarget.naturalWidth, event.currentTarget.naturalHeight])
              }
            />
          )}
        </>
      ) : (
        <p>
          A picture of the head from the side is laid under the plate, to scale; then the outline is pulled
          along it by the stations of an own profile. It stays with the design, in the shop’s data.
        </p>
      )}
    </Sheet>
  );
}
