import '../text/enPages.js';
import { passwordLimits } from '@bogen/contract/limits';
import type { Answer } from '@bogen/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { call } from '../api/instructorCall.js';
import { useSignInWhenNeeded } from '../session/useAccount.js';
import { shownTime } from '../text/time.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { ProblemText } from '../ui/ProblemText.js';
import { Failure, Loading } from '../ui/States.js';
import { browserName } from './browserName.js';
import { InstructorBar } from './InstructorBar.js';
import { OwnData } from './OwnData.js';

type Account = Answer<'account'>;

/** An instructor's own account. */
export function AccountPage() {
  const { t } = useTranslation();
  const account = useQuery({ queryKey: ['account'], queryFn: ({ signal }) => call('account', { signal }) });
  useSignInWhenNeeded(account.error, '/sign-in');
  if (account.error) return <Failure error={account.error} onRetry={() => void account.refetch()} />;
  if (!account.data) return <Loading />;
  return (
    <div className="flex min-h-full flex-col">
      <InstructorBar here={t('account.yours')} />
      <main className="mx-auto w-full max-w-[880px] flex-1 px-4 py-9 sm:px-8">
        <h1 className="font-serif text-[30px] font-medium">{t('account.title')}</h1>
        <p className="mt-1 text-[14px] text-soft">{t(`account.role.${account.data.role}`)}</p>
        <div className="mt-6 grid gap-x-14 gap-y-9 md:grid-cols-2">
          <Part title={t('account.who')}>
            <NameForm account={account.data} />
          </Part>
          <Part title={t('account.password')}>
            <PasswordForm account={account.data} />
          </Part>
          <Part title={t('account.sessions')}>
            <Sessions sessions={account.data.sessions} />
          </Part>
          <Part title={t('account.data')}>
            <OwnData name={account.data.name} isStudent={false} />
          </Part>
        </div>
      </main>
    </div>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title}>
      <h2 className="mb-3 border-b border-line pb-1.5 font-serif text-[19px]">{title}</h2>
      {children}
    </section>
  );
}

interface NameValues {
  name: string;
  email: string;
  password: string;
}

function NameForm({ account }: { account: Account }) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const { register, handleSubmit, formState, watch, resetField } = useForm<NameValues>({
    defaultValues: { name: account.name, email: account.email, password: '' },
  });
  const isMoving = watch('email').trim().toLowerCase() !== account.email;
  const change = useMutation({
    mutationFn: ({ name, email, password }: NameValues) =>
      call('changeAccount', { body: { name, ...(isMoving && { email, password }) } }),
    onSuccess: async () => {
      resetField('password');
      await Promise.all(['account', 'session'].map((key) => client.invalidateQueries({ queryKey: [key] })));
    },
  });
  const required = { required: t('session.required') };
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={(event) => void handleSubmit((values) => change.mutate(values))(event)}
    >
      <Field
        label={t('account.name')}
        autoComplete="name"
        maxLength={80}
        error={formState.errors.name?.message}
        {...register('name', required)}
      />
      <Field
        label={t('account.email')}
        type="email"
        autoComplete="username"
        maxLength={200}
        error={formState.errors.email?.message}
        {...register('email', required)}
      />
      {isMoving && (
        <Field
          label={t('account.passwordToMove')}
          type="password"
          autoComplete="current-password"
          {...register('password')}
        />
      )}
      <ProblemText error={change.error} />
      <div className="flex items-center gap-3">
        <Button primary type="submit" disabled={change.isPending}>
          {t('account.save')}
        </Button>
        <span role="status" className="text-[13.5px] text-soft">
          {change.isSuccess && t('account.saved')}
        </span>
      </div>
    </form>
  );
}

interface PasswordValues {
  password: string;
  next: string;
}

function PasswordForm({ account }: { account: Account }) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const { register, handleSubmit, formState, reset } = useForm<PasswordValues>({
    defaultValues: { password: '', next: '' },
  });
  const change = useMutation({
    mutationFn: ({ password, next }: PasswordValues) =>
      call('changePassword', { body: { next, ...(account.hasPassword && { password }) } }),
    onSuccess: async () => {
      reset();
      await client.invalidateQueries({ queryKey: ['account'] });
    },
  });
  const required = { required: t('session.required') };
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={(event) => void handleSubmit((values) => change.mutate(values))(event)}
    >
      <p className="text-[14px] text-soft">
        {!account.hasPassword && `${t('account.firstPassword')} `}
        {t('account.passwordLead', { least: passwordLimits.least })}
      </p>
      {account.hasPassword && (
        <Field
          label={t('account.presentPassword')}
          type="password"
          autoComplete="current-password"
          error={formState.errors.password?.message}
          {...register('password', required)}
        />
      )}
      <Field
        label={t('account.newPassword')}
        type="password"
        autoComplete="new-password"
        maxLength={passwordLimits.most}
        error={formState.errors.next?.message}
        {...register('next', required)}
      />
      <ProblemText error={change.error} />
      <div className="flex items-center gap-3">
        <Button primary type="submit" disabled={change.isPending}>
          {t('account.setPassword')}
        </Button>
        <span role="status" className="text-[13.5px] text-soft">
          {change.isSuccess && t('account.passwordSet')}
        </span>
      </div>
    </form>
  );
}

function Sessions({ sessions }: { sessions: Account['sessions'] }) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const end = useMutation({
    mutationFn: (id: string | undefined) => call('endSessions', { body: { id } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['account'] }),
  });
  return (
    <>
      <ul className="divide-y divide-line" data-sessions>
        {sessions.map(({ id, browser, since, seen, isThis }) => {
          const known = browserName(browser);
          return (
            <li key={id} className="flex items-center gap-3 py-2">
              <span className="flex-1">
                <span className="block text-[15px]">
                  {known ? t('account.browserOn', known) : t('account.unknownBrowser')}
                </span>
                <span className="block text-[13px] text-soft">
                  {isThis
                    ? t('account.thisOne')
                    : t('account.since', { when: shownTime(since), seen: shownTime(seen) })}
                </span>
              </span>
              {!isThis && (
                <Button quiet disabled={end.isPending} onClick={() => end.mutate(id)}>
                  {t('account.endOne')}
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      <ProblemText error={end.error} />
      {sessions.length > 1 && (
        <Button className="mt-2" disabled={end.isPending} onClick={() => end.mutate(undefined)}>
          {t('account.endOthers')}
        </Button>
      )}
    </>
  );
}
