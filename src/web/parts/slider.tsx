import { useEffect, useId, useRef, useState } from 'react';

/** How long the hand is followed before what is kept outside counts again, ms. */
const FOLLOWED = 400;

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
  // The address that keeps the value is a moment behind: steps taken meanwhile would be taken from where it
  // was.
  const [own, setOwn] = useState<number | undefined>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);
  const move = (next: number) => {
    setOwn(next);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => setOwn(undefined), FOLLOWED);
    onChange(next);
  };
  return (
    <div className="tank-slider">
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        type="range"
        min={min}
        max={max}
        step={step}
        value={Math.min(max, Math.max(min, own ?? value))}
        aria-valuetext={text}
        onChange={(event) => move(Number(event.currentTarget.value))}
      />
      <output>{text}</output>
    </div>
  );
}
