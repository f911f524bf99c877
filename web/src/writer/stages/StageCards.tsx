import type { FigureDocument } from '@bogen/core/figure';
import type { Sheet, Stage, StageState } from '@bogen/core/lesson';
import clsx from 'clsx';
import { TriangleAlert } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { useTranslation } from '../../text/text.js';
import { SortableList, useSortableRow } from '../../ui/SortableList.js';
import { Thumbnail } from '../../thumbnail/Thumbnail.js';

interface StageCardsProps {
  readonly sheet: Sheet;
  readonly states: readonly StageState[];
  readonly current: string;
  readonly onGo: (stage: string) => void;
  readonly onMove: (stage: string, to: number) => void;
}

/** The row of stages with small true drawings: to go to, and to reorder by dragging. */
export function StageCards({ sheet, states, current, onGo, onMove }: StageCardsProps) {
  const { stages } = sheet;
  return (
    <SortableList ids={stages.map(({ id }) => id)} direction="across" onMove={onMove}>
      <ol className="-mx-1 flex gap-2 overflow-x-auto px-1 pb-1">
        {stages.map((stage, index) => (
          <StageCard
            key={stage.id}
            stage={stage}
            number={index + 1}
            state={states[index]!}
            isCurrent={stage.id === current}
            onGo={() => onGo(stage.id)}
          />
        ))}
      </ol>
    </SortableList>
  );
}

/** A number for each state of a figure, by which its drawing is known. */
const numbers = new WeakMap<FigureDocument, number>();
let count = 0;
function numberOf(figure: FigureDocument): number {
  let number = numbers.get(figure);
  if (number === undefined) numbers.set(figure, (number = ++count));
  return number;
}

function StageCard({
  stage,
  number,
  state,
  isCurrent,
  onGo,
}: {
  stage: Stage;
  number: number;
  state: StageState;
  isCurrent: boolean;
  onGo: () => void;
}) {
  const { t } = useTranslation();
  const { row, style, grip, isDragging } = useSortableRow(stage.id, number === 1);
  const card = useRef<HTMLLIElement | null>(null);
  useEffect(() => {
    if (isCurrent) card.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [isCurrent]);
  return (
    <li
      ref={(element) => {
        card.current = element;
        row(element);
      }}
      style={style}
      className={clsx('shrink-0', isDragging && 'relative z-10')}
      data-stage={stage.id}
    >
      <button
        type="button"
        {...grip}
        // The first can't be moved, but it can be gone to.
        aria-disabled={undefined}
        aria-roledescription={undefined}
        aria-current={isCurrent ? 'step' : undefined}
        aria-label={t('stageEditor.goTo', { number, caption: stage.caption })}
        onClick={onGo}
        className={clsx(
          'flex h-[54px] w-[164px] items-center gap-2 rounded-md border bg-sheet px-2 text-left',
          isCurrent ? 'border-ink' : 'border-line hover:border-strong',
        )}
      >
        <Thumbnail
          figure={state.figure}
          of={`state ${numberOf(state.figure)}`}
          label={t('stageEditor.drawing', { number })}
          width={64}
          height={42}
        />
        <span className="line-clamp-3 min-w-0 flex-1 text-[11.5px] leading-tight">
          <span className="font-mono text-soft">{number}</span>{' '}
          {state.broken ? (
            <span className="text-bad">
              <TriangleAlert aria-hidden size={12} className="inline" /> {t('stageEditor.brokenMark')}
            </span>
          ) : (
            stage.caption
          )}
        </span>
      </button>
    </li>
  );
}
