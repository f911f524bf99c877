import type { Sheet } from '@bogen/core/lesson';
import clsx from 'clsx';
import { Copy, GripVertical, Trash2 } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { Link, useNavigate } from 'react-router';
import { useEdited } from '../saving/useEdited.js';
import { newId } from '../saving/newId.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { SortableList, useSortableRow } from '../ui/SortableList.js';
import type { EditedDraft } from './draft.js';
import { AddSheet } from './AddSheet.js';
import { MoveSheet } from './MoveSheet.js';

interface SheetListProps {
  readonly edited: EditedDraft;
  readonly lesson: string;
  readonly current: string;
}

/** The row of sheets: to go to, to reorder by dragging, to add, copy and remove. */
export function SheetList({ edited, lesson, current }: SheetListProps) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const sheets = useEdited(edited, (state) => state.history.document.sheets);
  const index = sheets.findIndex(({ id }) => id === current);
  const list = useRef<HTMLOListElement>(null);
  // Of many sheets the one that is open is in sight.
  useEffect(() => {
    list.current?.children[index]?.scrollIntoView({ block: 'nearest' });
  }, [index]);

  const add = (sheet: Sheet): void => {
    edited.finishTyping();
    edited.do({ name: 'addSheet', sheet, at: index + 1 });
    void navigate(`/write/${lesson}/${sheet.id}`);
  };
  const remove = (): void => {
    edited.finishTyping();
    edited.do({ name: 'removeSheet', sheet: current });
    void navigate(`/write/${lesson}/${(sheets[index + 1] ?? sheets[index - 1])!.id}`);
  };
  return (
    <nav aria-label={t('sheet.sheets')} className="-mx-3">
      <SortableList
        ids={sheets.map(({ id }) => id)}
        direction="down"
        onMove={(sheet, to) => edited.do({ name: 'moveSheet', sheet, to })}
      >
        <ol ref={list} className="max-h-[156px] overflow-y-auto">
          {sheets.map((sheet, number) => (
            <SheetRow
              key={sheet.id}
              sheet={sheet}
              number={number + 1}
              current={sheet.id === current}
              lesson={lesson}
            />
          ))}
        </ol>
      </SortableList>
      <div className="mt-1 flex items-center gap-0.5">
        <AddSheet onAdd={add} />
        <span className="flex-1" />
        <Button
          quiet
          className="px-1.5"
          aria-label={t('writer.copySheet')}
          title={t('writer.copySheet')}
          onClick={() => add({ ...sheets[index]!, id: newId() })}
        >
          <Copy aria-hidden size={15} />
        </Button>
        <MoveSheet
          lesson={lesson}
          sheet={sheets[index]!}
          refused={sheets.length === 1 ? t('writer.lastSheet') : undefined}
          onMoved={remove}
        />
        <Button
          quiet
          className="px-1.5"
          disabled={sheets.length === 1}
          aria-label={t('writer.removeSheet')}
          title={sheets.length === 1 ? t('writer.lastSheet') : t('writer.removeSheet')}
          onClick={remove}
        >
          <Trash2 aria-hidden size={15} />
        </Button>
      </div>
    </nav>
  );
}

function SheetRow({
  sheet,
  number,
  current,
  lesson,
}: {
  sheet: Sheet;
  number: number;
  current: boolean;
  lesson: string;
}) {
  const { t } = useTranslation();
  const { row, style, grip, gripRef, isDragging } = useSortableRow(sheet.id);
  return (
    <li
      ref={row}
      style={style}
      className={clsx(
        'flex h-[30px] items-center rounded-md pr-2',
        current && 'bg-tint',
        isDragging && 'relative z-10 bg-sheet shadow',
      )}
      data-sheet={sheet.id}
    >
      <button
        ref={gripRef}
        type="button"
        {...grip}
        aria-label={t('writer.dragSheet', { title: sheet.title })}
        className="grid h-full w-6 shrink-0 cursor-grab touch-none place-items-center rounded text-strong hover:text-ink"
      >
        <GripVertical aria-hidden size={14} />
      </button>
      <Link
        to={`/write/${lesson}/${sheet.id}`}
        aria-current={current ? 'page' : undefined}
        className={clsx(
          'flex min-w-0 flex-1 gap-2 text-[13.5px]',
          current ? 'font-semibold' : 'hover:underline',
        )}
      >
        <span className="font-mono text-soft">{number}</span>
        <span className="truncate">{sheet.title}</span>
      </Link>
    </li>
  );
}
