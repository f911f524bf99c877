import type { ReactNode } from 'react';
import { TopBar } from '../ui/TopBar.js';
import { useTranslation } from '../text/text.js';

/** A page with a form to come in by, beside a drawing of what awaits. */
export function Door({ title, lead, children }: { title: string; lead: string; children: ReactNode }) {
  const { t } = useTranslation();
  return (
    <div className="flex min-h-full flex-col">
      <TopBar />
      <main className="mx-auto grid w-full max-w-[1020px] flex-1 items-center gap-16 px-8 py-12 md:grid-cols-[minmax(0,360px)_1fr]">
        <div>
          <h1 className="font-serif text-[32px] leading-tight font-medium">{title}</h1>
          <p className="mt-2 mb-6 text-[15px] text-soft">{lead}</p>
          {children}
        </div>
        <figure className="hidden md:block">
          <svg aria-hidden viewBox="0 0 560 340" fill="none" className="w-full">
            <path
              d="M40 300 40 110 150 30 300 20 420 70 520 200 500 300"
              stroke="var(--line-strong)"
              strokeDasharray="3 5"
            />
            <path d="M40 300C40 173 76.700 110 137.500 76.700" stroke="var(--span-1)" strokeWidth="4" />
            <path d="M137.500 76.700C198.300 43.300 265 40 325 55" stroke="var(--span-2)" strokeWidth="4" />
            <path d="M325 55C385 70 438.300 103.300 468.300 158.300" stroke="var(--span-3)" strokeWidth="4" />
            <path
              d="M468.300 158.300C498.300 213.300 500 258 500 300"
              stroke="var(--span-4)"
              strokeWidth="4"
            />
            {[
              [40, 300],
              [40, 110],
              [150, 30],
              [300, 20],
              [420, 70],
              [520, 200],
              [500, 300],
            ].map(([x, y]) => (
              <circle
                key={x! * 1000 + y!}
                cx={x}
                cy={y}
                r="6.500"
                fill="var(--paper)"
                stroke="var(--ink)"
                strokeWidth="1.800"
              />
            ))}
          </svg>
          <figcaption className="mt-3 text-center font-serif text-[15px] text-soft italic">
            {t('app.tagline')}
          </figcaption>
        </figure>
      </main>
    </div>
  );
}
