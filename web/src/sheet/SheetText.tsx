import type { Sheet } from '@bogen/core/lesson';
import type { ReactNode } from 'react';
import { useTranslation } from '../text/text.js';
import { ProseView } from './ProseView.js';
import { ScrollingText } from './ScrollingText.js';

interface SheetTextProps {
  readonly sheet: Sheet;
  readonly number: number;
  readonly count: number;
  readonly task: ReactNode;
  readonly links: ReactNode;
}

/** A sheet's text as it is read, with the task at its foot. */
export function SheetText({ sheet, number, count, task, links }: SheetTextProps) {
  const { t } = useTranslation();
  return (
    <article className="flex flex-1 flex-col px-8 pt-5 pb-4 lg:min-h-0">
      <p className="font-mono text-[12px] text-soft">{t('sheet.of', { number, count })}</p>
      <h1 className="mt-1.5 mb-1 font-serif text-[27px] leading-[1.15] font-medium">{sheet.title}</h1>
      <ScrollingText>
        <ProseView prose={sheet.prose} />
      </ScrollingText>
      <div className="flex flex-col gap-3">{task}</div>
      <div className="mt-3 flex justify-between text-[13px]">{links}</div>
    </article>
  );
}
