import type { ReactNode } from 'react';
import { useTranslation } from '../text/text.js';

/** The middle of the text column: it scrolls where it must, by keyboard too, while the task stays in sight. */
export function ScrollingText({ children }: { children: ReactNode }) {
  const { t } = useTranslation();
  return (
    <div
      role="region"
      aria-label={t('sheet.text')}
      tabIndex={0}
      className="flex-1 pb-4 outline-offset-4 lg:min-h-[140px] lg:overflow-y-auto"
    >
      {children}
    </div>
  );
}
