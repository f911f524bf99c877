import type { Progress } from '@bogen/contract';
import clsx from 'clsx';
import { Link } from 'react-router';
import { useTranslation } from '../text/text.js';

interface ProgressLineProps {
  readonly sheets: readonly { readonly sheet: string; readonly title: string; readonly progress: Progress }[];
  readonly current: string;
  readonly addressOf: (sheet: string) => string;
}

/** The sheets of a lesson as a row of strokes: filled when done, half when begun, with the present one marked. */
export function ProgressLine({ sheets, current, addressOf }: ProgressLineProps) {
  const { t } = useTranslation();
  return (
    <nav aria-label={t('sheet.sheets')} className="flex">
      {sheets.map(({ sheet, title, progress }, index) => {
        const name = t('reader.sheetState', {
          number: index + 1,
          title,
          state: t(`reader.state.${progress}`),
        });
        const begun = progress === 'begun' || progress === 'tried' || progress === 'opened';
        return (
          <Link
            key={sheet}
            to={addressOf(sheet)}
            aria-label={name}
            title={name}
            aria-current={sheet === current ? 'page' : undefined}
            data-progress={progress}
            className="group px-[3px] py-4"
          >
            <span
              className={clsx(
                'relative block w-[22px] overflow-hidden rounded-full border group-hover:border-ink',
                sheet === current ? 'h-[8px] border-ink' : 'h-[6px] border-strong',
                progress === 'done' && 'bg-good',
              )}
            >
              {begun && <span className="absolute inset-y-0 left-0 w-1/2 bg-strong" />}
            </span>
          </Link>
        );
      })}
    </nav>
  );
}
