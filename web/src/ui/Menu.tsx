import { EllipsisVertical } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Button } from './Button.js';
import { Popup } from './Popup.js';

/** One thing that can be done; what is not possible now is left out. */
export interface MenuRow {
  readonly label: string;
  readonly act: () => void;
}

interface MenuProps {
  readonly label: string;
  readonly rows: readonly (MenuRow | undefined | false)[];
  /** What stands on the button instead of three points. */
  readonly children?: ReactNode;
}

/** A button with a list of what can be done with something. */
export function Menu({ label, rows, children }: MenuProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popup
      label={label}
      open={open}
      onOpen={setOpen}
      align="end"
      trigger={
        children ? (
          <Button>{children}</Button>
        ) : (
          <Button quiet className="px-1.5" aria-label={label} title={label}>
            <EllipsisVertical aria-hidden size={16} />
          </Button>
        )
      }
    >
      {open && (
        <div className="flex min-w-[220px] flex-col" data-menu>
          {rows.map(
            (row) =>
              row && (
                <Button
                  key={row.label}
                  quiet
                  className="justify-start"
                  onClick={() => {
                    setOpen(false);
                    row.act();
                  }}
                >
                  {row.label}
                </Button>
              ),
          )}
        </div>
      )}
    </Popup>
  );
}
