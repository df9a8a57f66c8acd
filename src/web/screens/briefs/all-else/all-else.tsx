import type { PartProps } from '../brief-parts.tsx';
import { DecidesPart } from './decides-part.tsx';
import { FishingPart } from './fishing-part.tsx';
import { TacklePart } from './tackle-part.tsx';
import { WaterPart } from './water-part.tsx';

/** Everything a brief may say beyond its six questions; what is not specified has usual values. */
export function AllElse(part: PartProps) {
  return (
    <>
      <WaterPart part={part} />
      <FishingPart part={part} />
      <TacklePart part={part} />
      <DecidesPart part={part} />
    </>
  );
}
