import { Moon, Sun } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useTranslation } from '../text/text.js';
import { useTheme } from '../theme/theme.js';
import { Button } from './Button.js';

interface TopBarProps {
  /** Where one is: course, lesson. */
  readonly place?: ReactNode;
  readonly middle?: ReactNode;
  readonly end?: ReactNode;
  /** Whether there is no other page to go to. */
  readonly isAlone?: boolean;
}

/** The one thin bar at the top of every page. */
export function TopBar({ place, middle, end, isAlone = false }: TopBarProps) {
  const { t } = useTranslation();
  const theme = useTheme((state) => state.theme);
  const toggle = useTheme((state) => state.toggle);
  const name = theme === 'light' ? t('app.dark') : t('app.light');
  return (
    <header className="flex min-h-11 shrink-0 flex-wrap items-center gap-x-4 border-b border-line bg-paper px-4 sm:flex-nowrap">
      <Link to={isAlone ? '' : '/'} className="flex items-center gap-2.5" aria-label={t('app.name')}>
        <svg aria-hidden viewBox="0 0 26 18" className="w-[26px]" fill="none" strokeLinecap="round">
          <path d="M2 16.5h22" stroke="var(--ink)" strokeWidth="1.5" />
          <path d="M3 16C6-2.500 20-2.500 23 16" stroke="var(--accent)" strokeWidth="2.5" />
        </svg>
        <span className="hidden font-serif text-[17px] font-semibold sm:inline">{t('app.name')}</span>
      </Link>
      <div className="flex min-w-0 flex-1 items-center gap-2 text-[13px]">{place}</div>
      {/* On a phone it has a row of its own. */}
      <div className="order-last flex basis-full justify-center sm:order-none sm:basis-auto">{middle}</div>
      <div className="flex min-w-0 flex-wrap items-center justify-end gap-x-2 sm:flex-1 sm:flex-nowrap">
        {end}
        <Button quiet aria-label={name} title={name} onClick={toggle} className="px-1.5">
          {theme === 'light' ? <Moon aria-hidden size={16} /> : <Sun aria-hidden size={16} />}
        </Button>
      </div>
    </header>
  );
}
