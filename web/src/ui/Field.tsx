import { useId, type InputHTMLAttributes, type Ref } from 'react';

interface FieldProps extends InputHTMLAttributes<HTMLInputElement> {
  readonly label: string;
  readonly error?: string | undefined;
  readonly ref?: Ref<HTMLInputElement>;
}

/** A labelled line to type in, with what is wrong below it. */
export function Field({ label, error, ...rest }: FieldProps) {
  const id = useId();
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-[13px] font-medium">
        {label}
      </label>
      <input
        id={id}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        className="h-9 rounded-md border border-strong bg-sheet px-3 text-[15px]"
        {...rest}
      />
      {error && (
        <p id={`${id}-error`} role="alert" className="text-[13px] text-bad">
          {error}
        </p>
      )}
    </div>
  );
}
