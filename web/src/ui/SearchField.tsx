interface SearchFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (typed: string) => void;
  /** Enter takes the first of what is found. */
  readonly onEnter: () => void;
}

/** A field that finds in a list what is typed. */
export function SearchField({ label, value, onChange, onEnter }: SearchFieldProps) {
  return (
    <input
      type="search"
      aria-label={label}
      placeholder={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return;
        event.preventDefault();
        onEnter();
      }}
      className="h-8 rounded-md border border-strong bg-sheet px-2 text-[13px]"
    />
  );
}
