import { useEffect, useRef, type KeyboardEvent } from 'react';
import type { Projection } from '../../figure/geometry/projection.js';
import { useTranslation } from '../../text/text.js';
import { closingWays, type Drawing } from './useDrawing.js';

/** Back at the start: asks how the curve is to close, or whether it goes on. */
export function ClosingQuestion({ drawing, projection }: { drawing: Drawing; projection: Projection }) {
  const { t } = useTranslation();
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => ref.current?.querySelector('button')?.focus(), []);
  const { tool, places } = drawing;
  const [x, y] = projection.toScreen(places[0]!.at);
  const onKeyDown = (event: KeyboardEvent): void => {
    event.stopPropagation();
    if (event.key !== 'Escape') return;
    event.preventDefault();
    drawing.answerClosing('goOn');
  };
  return (
    <div
      ref={ref}
      role="dialog"
      aria-label={t('draw.howToClose')}
      data-chooser
      data-closing
      onKeyDown={onKeyDown}
      onPointerDown={(event) => event.stopPropagation()}
      onPointerUp={(event) => event.stopPropagation()}
      className="absolute z-20 flex w-64 cursor-default flex-col rounded-lg border border-strong bg-sheet p-1.5 shadow-lg"
      style={{
        ...(x > projection.width / 2 ? { right: projection.width - x + 14 } : { left: x + 14 }),
        ...(y > projection.height / 2 ? { bottom: projection.height - y + 10 } : { top: y + 10 }),
      }}
    >
      <p className="px-2 pb-1 text-[12px] text-soft">{t('draw.howToClose')}</p>
      {closingWays(tool!).map((way) => (
        <button
          key={way}
          type="button"
          className="rounded px-2 py-1 text-left text-[13px] hover:bg-tint"
          onClick={() => drawing.answerClosing(way)}
        >
          <span className="block font-medium">{t(`draw.closing.${way}`)}</span>
          <span className="block text-[12px] text-soft">{t(`draw.closingHelp.${way}`)}</span>
        </button>
      ))}
    </div>
  );
}
