import '../text/enPages.js';
import { passwordLimits } from '@bogen/contract/limits';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { call } from '../api/instructorCall.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { ProblemText } from '../ui/ProblemText.js';
import { Failure, Loading } from '../ui/States.js';
import { EntryLayout } from './EntryLayout.js';
import { continueAt } from './useAccount.js';

interface Values {
  code: string;
  name: string;
  email: string;
  password: string;
}

/** Where the first account is made, with the code that the server printed. */
export function FirstAccountPage() {
  const { t } = useTranslation();
  const entry = useQuery({
    queryKey: ['entry'],
    queryFn: ({ signal }) => call('entry', { signal }),
    staleTime: 0,
  });
  const { register, handleSubmit, formState } = useForm<Values>();
  const make = useMutation({
    mutationFn: (body: Values) => call('makeFirstAccount', { body }),
    onSuccess: () => continueAt('/shelf'),
  });
  if (entry.error) return <Failure error={entry.error} onRetry={() => void entry.refetch()} />;
  if (!entry.data) return <Loading />;
  if (!entry.data.first) {
    return (
      <EntryLayout title={t('session.firstTitle')} lead={t('session.firstThere')}>
        <Link to="/sign-in" className="text-accent underline underline-offset-4">
          {t('session.toSignInNow')}
        </Link>
      </EntryLayout>
    );
  }
  const required = { required: t('session.required') };
  return (
    <EntryLayout title={t('session.firstTitle')} lead={t('session.firstLead')}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => void handleSubmit((body) => make.mutate(body))(event)}
      >
        <Field
          label={t('session.firstCode')}
          autoComplete="off"
          autoCapitalize="characters"
          maxLength={40}
          error={formState.errors.code?.message}
          {...register('code', required)}
        />
        <Field
          label={t('session.yourName')}
          autoComplete="name"
          maxLength={80}
          error={formState.errors.name?.message}
          {...register('name', required)}
        />
        <Field
          label={t('session.email')}
          type="email"
          autoComplete="username"
          maxLength={200}
          error={formState.errors.email?.message}
          {...register('email', required)}
        />
        <Field
          label={t('session.newPassword', { least: passwordLimits.least })}
          type="password"
          autoComplete="new-password"
          maxLength={passwordLimits.most}
          error={formState.errors.password?.message}
          {...register('password', required)}
        />
        <ProblemText error={make.error} />
        <Button primary type="submit" disabled={make.isPending} className="h-9 self-start px-4">
          {t('session.firstMake')}
        </Button>
      </form>
    </EntryLayout>
  );
}
