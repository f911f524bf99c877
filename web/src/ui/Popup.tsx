import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

interface PopupProps {
  readonly label: string;
  /** The button that opens it. */
  readonly trigger: ReactNode;
  readonly children: ReactNode;
  readonly className?: string;
  /** Beside the button where it would cover what it is about; below it where nothing is said. */
  readonly side?: 'bottom' | 'right';
  /** Which of its edges stands below the same edge of its button. */
  readonly align?: 'start' | 'end';
  readonly open?: boolean;
  readonly onOpen?: (open: boolean) => void;
  /** Whether it stays while one presses elsewhere, until it is closed by its button or by Escape. */
  readonly stays?: boolean;
  /** Whether the focus, when it closes, is left to whoever closed it and does not go back to its button. */
  readonly leavesFocus?: () => boolean;
}

/** A small sheet below a button, for lists and choices. */
export function Popup({
  label,
  trigger,
  children,
  className = 'p-2',
  side = 'bottom',
  align = 'start',
  open,
  onOpen,
  stays = false,
  leavesFocus,
}: PopupProps) {
  return (
    <Popover.Root {...(open === undefined ? {} : { open })} {...(onOpen ? { onOpenChange: onOpen } : {})}>
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={label}
          side={side}
          sideOffset={side === 'bottom' ? 6 : 90}
          align={align}
          collisionPadding={8}
          onCloseAutoFocus={(event) => leavesFocus?.() && event.preventDefault()}
          onInteractOutside={(event) => stays && event.preventDefault()}
          className={`z-30 max-h-[min(80vh,var(--radix-popover-content-available-height))] max-w-[96vw] overflow-y-auto rounded-lg border border-strong bg-sheet shadow-lg ${className}`}
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
