import { pair } from '../../../core/numeric/index.ts';
import { messageOf } from '../../../core/kind/index.ts';
import { useState } from 'react';
import type { Design, Photo } from '../../../core/document/index.ts';
import { photoPlacement } from '../../../core/document/index.ts';
import { create } from '../../data/api.ts';
import { useUnits } from '../../data/units.ts';
import { Sheet, TakeOrLeave } from '../../parts/sheet.tsx';
import type { Mark, Placed } from './photo-parts.tsx';
import { MarkedPhoto, PhotoTools } from './photo-parts.tsx';
import { pictureKept } from './picture.ts';
import './photo.css';

interface Props {
  readonly design: Design;
  readonly onPlace: (photo: Placed | undefined) => void;
  readonly onHide: () => void;
}

/**
 * Lays a photograph under the plate: two marks on it and the distance between them give its scale, its place
 * and its turn.
 */
export function PhotoSheet({ design, onPlace, onHide }: Props) {
  const { read: readTyped } = useUnits();
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
      setSaid(messageOf(error));
    }
  };
  const mark = (at: Mark) => {
    if (next === 'rear') {
      setRear(at);
      setNext('nose');
    } else setNose(at);
  };
  const lay = async () => {
    if (!rear || !nose) return setSaid('Mark the rear face and the nose on the picture first.');
    const read =
      length.trim() === '' && now ? { ok: true as const, value: now.length } : readTyped(length, 'size');
    if (!read.ok) return setSaid(`Distance between the marks: ${read.message}`);
    const placed = {
      rear: pair((axis) => rear[axis]),
      nose: pair((axis) => nose[axis]),
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
      setSaid(messageOf(error));
    }
  };
  return (
    <Sheet
      title="A photograph under the plate"
      size="xl"
      onHide={onHide}
      footer={
        <TakeOrLeave take="Lay it under" disabled={!shown} onTake={() => void lay()} onLeave={onHide} />
      }
    >
      <PhotoTools
        hasPicture={shown !== ''}
        placed={now}
        length={length}
        flipped={flipped}
        onFile={(file) => void choose(file)}
        onLength={setLength}
        onFlip={setFlipped}
        onRemove={() => {
          onPlace(undefined);
          onHide();
        }}
      />
      {said && (
        <p className="field-said" role="alert">
          {said}
        </p>
      )}
      {shown ? (
        <>
          <MarkedPhoto
            picture={shown}
            size={[width, height]}
            rear={rear}
            nose={nose}
            next={next}
            onMark={mark}
            onNext={setNext}
          />
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
