import type { Editor } from '@tiptap/react';
import { Table } from 'lucide-react';
import { useState } from 'react';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Popup } from '../../ui/Popup.js';

/** What can be done with the table in which the cursor is. */
const acts = {
  rowBelow: (editor: Editor) => editor.chain().focus().addRowAfter().run(),
  rowAbove: (editor: Editor) => editor.chain().focus().addRowBefore().run(),
  columnRight: (editor: Editor) => editor.chain().focus().addColumnAfter().run(),
  columnLeft: (editor: Editor) => editor.chain().focus().addColumnBefore().run(),
  headerRow: (editor: Editor) => editor.chain().focus().toggleHeaderRow().run(),
  removeRow: (editor: Editor) => editor.chain().focus().deleteRow().run(),
  removeColumn: (editor: Editor) => editor.chain().focus().deleteColumn().run(),
  remove: (editor: Editor) => editor.chain().focus().deleteTable().run(),
} as const;

/** A new small table; in one, what can be done with it. */
export function TableTools({ editor, isInTable }: { editor: Editor; isInTable: boolean }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const label = t(isInTable ? 'prose.changeTable' : 'prose.table');
  const button = (onClick?: () => void) => (
    <Button
      quiet
      className="px-1.5"
      pressed={isInTable}
      aria-label={label}
      title={label}
      onMouseDown={(event) => event.preventDefault()}
      onClick={onClick}
    >
      <Table aria-hidden size={15} />
    </Button>
  );
  if (!isInTable)
    return button(() => editor.chain().focus().insertTable({ rows: 3, cols: 3, withHeaderRow: true }).run());
  return (
    <Popup label={label} open={open} onOpen={setOpen} leavesFocus={() => true} trigger={button()}>
      {open && (
        <div className="flex flex-col" data-table-tools>
          {(Object.keys(acts) as (keyof typeof acts)[]).map((act) => (
            <Button
              key={act}
              quiet
              className="justify-start"
              onClick={() => {
                setOpen(false);
                acts[act](editor);
              }}
            >
              {t(`prose.tables.${act}`)}
            </Button>
          ))}
        </div>
      )}
    </Popup>
  );
}
