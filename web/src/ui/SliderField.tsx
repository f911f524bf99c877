import { useId, useRef, useState } from 'react';
import { useAtEnd } from './useAtEnd.js';

interface SliderFieldProps {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  /** Even steps are of the logarithm. */
  readonly logarithmic?: boolean;
  readonly whole?: boolean;
  /** The value as it is to be read. */
  readonly shown: (value: number) => string;
  /** While it is pulled. */
  readonly onPreview: (value: number) => void;
  /** When it is let go. */
  readonly onChange: (value: number) => void;
}

const steps = 200;

/** A number on a line, pulled with a preview and set once when it is let go. */
export function SliderField(props: SliderFieldProps) {
  const { label, value, least, most, logarithmic = false, whole = false, shown, onPreview, onChange } = props;
  const id = useId();
  const [pulled, setPulled] = useState<number | null>(null);
  // The value before it was pulled: a preview may change what is given meanwhile.
  const before = useRef(value);
  const now = pulled ?? value;
  const toStep = (number: number): number =>
    logarithmic
      ? (steps * Math.log(number / least)) / Math.log(most / least)
      : (steps * (number - least)) / (most - least);
  const fromStep = (step: number): number => {
    const share = step / steps;
    const number = logarithmic ? least * (most / least) ** share : least + share * (most - least);
    return whole ? Math.round(number) : Number(number.toPrecision(3));
  };
  const done = (): void => {
    if (pulled === null) return;
    setPulled(null);
    if (pulled !== before.current) onChange(pulled);
  };
  // Gone while it is pulled, with its panel, it is let go.
  useAtEnd(done);
  return (
    <div className="flex items-center gap-2 text-[13px]">
      <label htmlFor={id} className="shrink-0 text-soft">
        {label}
      </label>
      <input
        id={id}
        type="range"
        min={0}
        max={steps}
        step={whole ? steps / (most - least) : 1}
        value={toStep(now)}
        aria-valuetext={shown(now)}
        onChange={(event) => {
          if (pulled === null) before.current = value;
          const next = fromStep(Number(event.target.value));
          setPulled(next);
          onPreview(next);
        }}
        onPointerUp={done}
        onKeyUp={done}
        onBlur={done}
        className="min-w-0 flex-1 accent-accent"
      />
      <output htmlFor={id} className="min-w-14 shrink-0 text-right font-mono text-[12px]">
        {shown(now)}
      </output>
    </div>
  );
}
