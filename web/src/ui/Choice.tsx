import type { CSSProperties, ReactNode } from 'react';

interface ChoiceProps<Value extends string> {
  readonly label: string;
  readonly value: Value;
  readonly choices: readonly Value[];
  readonly name: (value: Value) => string;
  readonly onChange: (value: Value) => void;
}

export function Choice<Value extends string>({
  label,
  value,
  choices,
  name,
  onChange,
}: ChoiceProps<Value>): ReactNode {
  return (
    <label className="flex items-center gap-1 text-[13px]">
      <span className="text-soft">{label}</span>
      <select
        value={value}
        onChange={(event) => onChange(event.target.value as Value)}
        className="h-7 rounded-md border border-strong bg-sheet px-1.5 text-[13px]"
        // As wide as what is chosen, where the browser can do that: rows of fields are full.
        style={{ fieldSizing: 'content' } as CSSProperties}
      >
        {choices.map((choice) => (
          <option key={choice} value={choice}>
            {name(choice)}
          </option>
        ))}
      </select>
    </label>
  );
}

export function Check({
  label,
  value,
  onChange,
}: {
  label: string;
  value: boolean;
  onChange: (value: boolean) => void;
}) {
  return (
    <label className="flex items-center gap-1.5 text-[13px]">
      <input
        type="checkbox"
        checked={value}
        onChange={(event) => onChange(event.target.checked)}
        className="accent-accent"
      />
      {label}
    </label>
  );
}
