import clsx from 'clsx';
import type { ReactNode } from 'react';
import { useTop } from '../ui/useTop.js';

interface SheetLayoutProps {
  /** The sheet that is shown: each one begins at its top. */
  readonly sheet: string;
  readonly bar: ReactNode;
  readonly notice?: ReactNode;
  /** The left third: what is read or written. */
  readonly text: ReactNode;
  readonly tools: ReactNode;
  readonly figure: ReactNode;
  /** The row of stages below the figure, where there are several. */
  readonly stages?: ReactNode;
  readonly rail: ReactNode;
  /** The figure takes the whole screen. */
  readonly wide?: boolean;
}

/** One screen, one sheet: text on the left, figure on the right, rail below it. On a narrow screen the text folds below. */
export function SheetLayout({
  sheet,
  bar,
  notice,
  text,
  tools,
  figure,
  stages,
  rail,
  wide = false,
}: SheetLayoutProps) {
  const page = useTop<HTMLElement>(sheet);
  const column = useTop<HTMLDivElement>(sheet);
  return (
    <div className="flex h-full flex-col">
      {bar}
      {notice}
      <main
        ref={page}
        className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden"
      >
        {!wide && (
          <div
            ref={column}
            className="flex w-full shrink-0 flex-col border-line bg-paper lg:h-full lg:w-[404px] lg:overflow-y-auto lg:border-r"
          >
            {text}
          </div>
        )}
        <div
          className={clsx(
            'order-first flex min-w-0 shrink-0 flex-col lg:order-none lg:h-full lg:flex-1',
            // The beginning of the text is seen below the figure, so that one knows that it is there.
            wide ? 'h-full' : 'h-[calc(100%-5.5rem)]',
          )}
        >
          <div className="flex min-h-[42px] shrink-0 flex-wrap items-center gap-x-0.5 gap-y-0.5 border-b border-line bg-sheet px-2.5 py-1">
            {tools}
          </div>
          {figure}
          {stages}
          {rail}
        </div>
      </main>
    </div>
  );
}
