import { isMeasuredOrder } from '@bogen/core/lesson';
import clsx from 'clsx';
import { ArrowDown, ArrowUp, Check, Circle, GripVertical } from 'lucide-react';
import { useEffect, useMemo, type ReactNode } from 'react';
import { PointingWords } from '../live/PointingWords.js';
import { useTranslation } from '../text/text.js';
import { IconButton } from '../ui/IconButton.js';
import { SortableList, useSortableRow } from '../ui/SortableList.js';
import type { AnswerProps } from './answering.js';
import { mixedAnew } from './mixed.js';

/** Things to be put in order, by dragging or with the arrows. */
export function OrderAnswer({ task, answer, onAnswer, results, mixing }: AnswerProps<'order'>) {
  const { t } = useTranslation();
  const { entries } = task;
  const first = useMemo(
    () => mixedAnew(entries.length, `${mixing}/${task.id}`),
    [entries.length, mixing, task.id],
  );
  const isWhole =
    answer?.order.length === entries.length && answer.order.every((index) => index < entries.length);
  const order = isWhole ? answer.order : first;
  // What stands there is an answer, also where nothing was moved.
  useEffect(() => {
    if (!isWhole) onAnswer({ kind: 'order', order: first });
  }, [isWhole, first]);
  const move = (from: number, to: number): void => {
    if (to < 0 || to >= order.length) return;
    const next = [...order];
    const [moved] = next.splice(from, 1);
    next.splice(to, 0, moved!);
    onAnswer({ kind: 'order', order: next });
  };
  return (
    <div className="mt-2.5">
      <p className="mb-1 text-[12.5px] text-soft">
        {t('answer.order')}, {t(`answer.orderFrom.${isMeasuredOrder(task) ? 'measured' : 'given'}`)}
      </p>
      <SortableList
        ids={order.map(String)}
        direction="down"
        onMove={(id, to) => move(order.indexOf(Number(id)), to)}
      >
        <ol className="flex flex-col gap-1">
          {order.map((index, place) => {
            const { text, lights } = entries[index]!;
            return (
              <Row
                key={index}
                id={String(index)}
                text={text}
                met={results?.[place]?.met}
                isFirst={place === 0}
                isLast={place === order.length - 1}
                onMove={(by) => move(place, place + by)}
              >
                {lights ? <PointingWords targets={lights}>{text}</PointingWords> : text}
              </Row>
            );
          })}
        </ol>
      </SortableList>
    </div>
  );
}

interface RowProps {
  readonly id: string;
  readonly text: string;
  /** Whether it stands in its place; nothing until that is checked. */
  readonly met: boolean | undefined;
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly onMove: (by: -1 | 1) => void;
  readonly children: ReactNode;
}

function Row({ id, text, met, isFirst, isLast, onMove, children }: RowProps) {
  const { t } = useTranslation();
  const { row, style, grip, gripRef, isDragging } = useSortableRow(id);
  return (
    <li
      ref={row}
      style={style}
      className={clsx(
        'flex items-center gap-1 rounded-md border border-line bg-sheet py-0.5 pr-1 text-[13.5px] leading-snug',
        isDragging && 'relative z-10 shadow',
      )}
      data-entry={id}
      data-met={met}
    >
      <button
        ref={gripRef}
        type="button"
        {...grip}
        aria-label={t('answer.drag', { text })}
        className="grid h-7 w-6 shrink-0 cursor-grab touch-none place-items-center rounded text-strong"
      >
        <GripVertical aria-hidden size={14} />
      </button>
      <span className="flex-1">{children}</span>
      {met === true && <Check role="img" aria-label={t('answer.inPlace')} size={15} className="text-good" />}
      {met === false && (
        <Circle role="img" aria-label={t('answer.notInPlace')} size={12} className="mx-1 text-soft" />
      )}
      <IconButton label={t('answer.up', { text })} disabled={isFirst} onPress={() => onMove(-1)}>
        <ArrowUp size={14} />
      </IconButton>
      <IconButton label={t('answer.down', { text })} disabled={isLast} onPress={() => onMove(1)}>
        <ArrowDown size={14} />
      </IconButton>
    </li>
  );
}
