import clsx from 'clsx';
import type { ButtonHTMLAttributes, Ref } from 'react';

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  /** The one thing that the screen is for. */
  readonly primary?: boolean;
  /** Without a border, for rows of tools. */
  readonly quiet?: boolean;
  /** Switched on. */
  readonly pressed?: boolean;
  readonly ref?: Ref<HTMLButtonElement>;
}

export function Button({ primary, quiet, pressed, className, ...rest }: ButtonProps) {
  return (
    <button
      type="button"
      aria-pressed={pressed}
      className={clsx(
        'inline-flex h-7 items-center gap-1.5 rounded-md px-2.5 text-[13px] font-medium whitespace-nowrap transition-colors disabled:opacity-45',
        primary && 'bg-accent text-on-accent enabled:hover:brightness-110',
        !primary && !quiet && 'border border-strong bg-sheet enabled:hover:bg-tint',
        !primary && quiet && 'enabled:hover:bg-tint',
        pressed && 'bg-tint',
        className,
      )}
      {...rest}
    />
  );
}
