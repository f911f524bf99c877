import type { ReactNode } from 'react';

interface IconButtonProps {
  readonly label: string;
  readonly onPress: () => void;
  readonly disabled?: boolean;
  readonly children: ReactNode;
}

/** A small button with a picture; its label is read and shown as a hint. */
export function IconButton({ label, onPress, disabled = false, children }: IconButtonProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onPress}
      className="inline-flex size-6 shrink-0 items-center justify-center rounded hover:bg-tint disabled:opacity-35"
    >
      {children}
    </button>
  );
}
