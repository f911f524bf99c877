import '../text/enPages.js';
import { Fragment, type ReactNode } from 'react';
import { Link } from 'react-router';
import { useAccount, useSignOut } from '../session/useAccount.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { TopBar } from '../ui/TopBar.js';

const link = 'inline-flex h-7 items-center rounded-md px-2.5 text-[13px] font-medium hover:bg-tint';

interface InstructorBarProps {
  readonly here?: ReactNode;
  /** The page that this one belongs to, where it is not the shelf alone. */
  readonly under?: { readonly to: string; readonly title: string };
}

/** The bar of an instructor's pages beside the lessons: where one is, and where one can go. */
export function InstructorBar({ here, under }: InstructorBarProps) {
  const { t } = useTranslation();
  const who = useAccount().data;
  const signOut = useSignOut();
  const instructor = who?.who === 'instructor' ? who.instructor : undefined;
  return (
    <TopBar
      place={
        here && (
          <>
            {[{ to: '/shelf', title: t('shelf.title') }, ...(under ? [under] : [])].map(({ to, title }) => (
              <Fragment key={to}>
                <Link to={to} className="text-soft underline-offset-4 hover:underline">
                  {title}
                </Link>
                <span aria-hidden className="text-soft">
                  /
                </span>
              </Fragment>
            ))}
            <span className="truncate font-semibold">{here}</span>
          </>
        )
      }
      end={
        <>
          <Link to="/bench" className={link}>
            {t('shelf.toBench')}
          </Link>
          {instructor?.role === 'administrator' && (
            <Link to="/people" className={link}>
              {t('people.title')}
            </Link>
          )}
          {instructor && (
            <Link to="/account" className={link} title={t('account.title')}>
              {instructor.name}
            </Link>
          )}
          <Button quiet onClick={signOut}>
            {t('app.signOut')}
          </Button>
        </>
      }
    />
  );
}
