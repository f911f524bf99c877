import '../text/enPages.js';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link, Navigate, useSearchParams } from 'react-router';
import { call } from '../api/instructorCall.js';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { ProblemText } from '../ui/ProblemText.js';
import { EntryLayout } from './EntryLayout.js';
import { ForgotPanel } from './ForgotPanel.js';
import { continueAt, placeAfter } from './useAccount.js';

interface Values {
  email: string;
  password: string;
}

/** The instructors' door. */
export function SignInPage() {
  const { t } = useTranslation();
  const tell = useTold();
  const [search] = useSearchParams();
  const [forgot, setForgot] = useState(false);
  const { register, handleSubmit, formState, setValue, getValues } = useForm<Values>();
  const place = placeAfter(search, '/shelf');
  // What may be done here beside signing in; without an answer signing in still works.
  const entry = useQuery({ queryKey: ['entry'], queryFn: ({ signal }) => call('entry', { signal }) });
  const signIn = useMutation({
    mutationFn: (body: Values) => call('signIn', { body }),
    onSuccess: () => continueAt(place),
  });
  if (entry.data?.first) return <Navigate replace to="/first" />;
  const required = { required: t('session.required') };
  const demo = entry.data?.demo;
  return (
    <EntryLayout title={t('session.signInTitle')} lead={t('session.signInLead')}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => void handleSubmit((body) => signIn.mutate(body))(event)}
      >
        <Field
          label={t('session.email')}
          type="email"
          autoComplete="username"
          error={formState.errors.email?.message}
          {...register('email', required)}
        />
        <Field
          label={t('session.password')}
          type="password"
          autoComplete="current-password"
          error={formState.errors.password?.message}
          {...register('password', required)}
        />
        <ProblemText error={signIn.error ?? problemOf(search)} />
        <div className="flex flex-wrap items-center gap-3">
          <Button primary type="submit" disabled={signIn.isPending} className="h-9 px-4">
            {t('session.signIn')}
          </Button>
          <Button quiet className="h-9" onClick={() => setForgot(true)}>
            {t('session.forgot')}
          </Button>
        </div>
      </form>
      {entry.data?.school && (
        <p className="mt-5 flex flex-wrap items-center gap-3 text-[14px] text-soft">
          {t('session.bySchool')}
          <a
            href={`/api/school-sign-in?to=${encodeURIComponent(place)}`}
            className="inline-flex h-9 items-center rounded-md border border-strong bg-sheet px-4 text-[13px] font-medium text-ink hover:bg-tint"
          >
            {entry.data.school}
          </a>
        </p>
      )}
      {demo && (
        <p className="mt-6 rounded-md border border-line bg-tint px-3 py-2 text-[13.5px]" data-demo>
          {t('session.demo', demo)}{' '}
          <button
            type="button"
            className="text-accent underline underline-offset-4"
            onClick={() => {
              setValue('email', demo.email);
              setValue('password', demo.password);
            }}
          >
            {t('session.useDemo')}
          </button>
        </p>
      )}
      <Link to="/join" className="mt-8 inline-block text-accent underline underline-offset-4">
        {t('session.toJoin')}
      </Link>
      {forgot && (
        <ForgotPanel
          byMail={entry.data?.mail ?? false}
          email={getValues('email') ?? ''}
          tell={tell}
          onClose={() => setForgot(false)}
        />
      )}
    </EntryLayout>
  );
}

/** What went wrong at the school, as the code of a sentence that the address brings along. */
function problemOf(search: URLSearchParams): object | null {
  const code = search.get('problem');
  if (!code || !/^\w+$/.test(code)) return null;
  return { code, parameters: { email: search.get('email') ?? '' } };
}
