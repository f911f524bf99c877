import '../text/enPages.js';
import { ProblemText } from '../ui/ProblemText.js';
import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { Link, useSearchParams } from 'react-router';
import { call } from '../api/call.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { EntryLayout } from './EntryLayout.js';
import { continueAt, placeAfter } from './useAccount.js';

interface Values {
  email: string;
  password: string;
}

/** The instructors' door. */
export function SignInPage() {
  const { t } = useTranslation();
  const [search] = useSearchParams();
  const { register, handleSubmit, formState } = useForm<Values>();
  const signIn = useMutation({
    mutationFn: (body: Values) => call('signIn', { body }),
    onSuccess: () => continueAt(placeAfter(search, '/shelf')),
  });
  const required = { required: t('session.required') };
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
        <ProblemText error={signIn.error} />
        <Button primary type="submit" disabled={signIn.isPending} className="h-9 self-start px-4">
          {t('session.signIn')}
        </Button>
      </form>
      <Link to="/join" className="mt-8 inline-block text-accent underline underline-offset-4">
        {t('session.toJoin')}
      </Link>
    </EntryLayout>
  );
}
