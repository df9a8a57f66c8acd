import { useId } from 'react';

/** A number pulled along a rail, with its words. */
export function Slider({
  label,
  value,
  min,
  max,
  step,
  text,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly text: string;
  readonly onChange: (value: number) => void;
}) {
  const id = useId();
  return (
    <div className="tank-slider">
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        type="range"
        min={min}
        max={max}
        step={step}
        value={Math.min(max, Math.max(min, value))}
        aria-valuetext={text}
        onChange={(event) => onChange(Number(event.currentTarget.value))}
      />
      <output>{text}</output>
    </div>
  );
}
