import type { Design } from '../../../core/document/index.ts';
import { EYE_ANGLES, EYE_RANGES, hookMeasures } from '../../../core/hook/index.ts';
import { Segments } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { StagesProps } from './stage-kit.ts';
import { finder } from './stage-kit.ts';

/** Bends hooks are sold with, degrees. */
const BENDS = [90, 60, 45, 30, 0] as const;

/** The eye: its bend, plane, place, size and recess. */
export function EyeFields({ design, problems, edit }: Pick<StagesProps, 'design' | 'problems' | 'edit'>) {
  const problemAt = finder(problems);
  const { eye } = design;
  const measures = hookMeasures(design.hook);
  const bend = BENDS.find((angle) => angle === eye.angle);
  const setEye = (change: Partial<Design['eye']>) =>
    edit((now) => ({ ...now, eye: { ...now.eye, ...change } }));
  return (
    <>
      <Segments
        label="Eye bend"
        value={bend === undefined ? 'free' : String(bend)}
        options={[...BENDS.map((angle) => [String(angle), `${angle}°`] as const), ['free', 'free']]}
        onChange={(text) => text !== 'free' && setEye({ angle: Number(text) })}
      />
      <QuantityField
        label="Eye angle"
        kind="angle"
        value={eye.angle}
        min={EYE_ANGLES[0]}
        max={EYE_ANGLES[1]}
        step={1}
        note="Between the shank’s forward line and the eye’s leg."
        problem={problemAt('/eye/angle', '/eye')}
        onCommit={(angle) => setEye({ angle })}
      />
      <Segments
        label="Plane of the eye"
        term="eye"
        value={eye.plane}
        options={[
          ['crosswise', 'crosswise'],
          ['in line', 'in line'],
        ]}
        onChange={(plane) => setEye({ plane })}
      />
      <QuantityField
        label="Eye behind the nose"
        kind="share"
        value={eye.setback}
        min={EYE_RANGES.setback[0]}
        max={EYE_RANGES.setback[1]}
        step={0.01}
        note="Where the eye’s leg leaves the shank, as a share of the head’s length; below zero in front of it."
        problem={problemAt('/eye/setback')}
        onCommit={(setback) => setEye({ setback })}
      />
      <QuantityField
        label="Eye inside"
        kind="size"
        value={eye.size ?? (measures ? measures.wire * 1.2 + 0.5 : 1)}
        min={EYE_RANGES.size[0]}
        max={EYE_RANGES.size[1]}
        step={0.05}
        note="Inner diameter of the eye."
        problem={problemAt('/eye/size')}
        onCommit={(size) => setEye({ size })}
      />
      <QuantityField
        label="Eye recess"
        kind="size"
        value={eye.recess ?? 0}
        min={EYE_RANGES.recess[0]}
        max={EYE_RANGES.recess[1]}
        step={0.1}
        note="How deep the eye is set into the head: it shields line and knot."
        problem={problemAt('/eye/recess')}
        onCommit={(recess) => setEye({ recess: recess > 0 ? recess : undefined })}
      />
    </>
  );
}
