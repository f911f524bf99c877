import '../text/enPages.js';
import { passwordLimits } from '@bogen/contract/limits';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { Link, useLocation } from 'react-router';
import { ApiProblem } from '../api/call.js';
import { call } from '../api/instructorCall.js';
import { useTranslation } from '../text/text.js';
import { shownDay } from '../text/time.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { ProblemText } from '../ui/ProblemText.js';
import { Failure, Loading } from '../ui/States.js';
import { EntryLayout } from './EntryLayout.js';
import { continueAt } from './useAccount.js';

interface Values {
  name?: string;
  password: string;
}

/** Where the link of an invitation, or for a new password, leads. Its secret stands behind the # of the address. */
export function LinkPage() {
  const { t } = useTranslation();
  const token = useLocation().hash.slice(1, 101);
  const link = useQuery({
    queryKey: ['link', token],
    queryFn: ({ signal }) => call('readLink', { body: { token }, signal }),
    retry: false,
    staleTime: Infinity,
  });
  const { register, handleSubmit, formState } = useForm<Values>({ shouldUnregister: true });
  const use = useMutation({
    mutationFn: (values: Values) => call('useLink', { body: { token, ...values } }),
    onSuccess: () => continueAt('/shelf'),
  });
  if (link.error instanceof ApiProblem && link.error.problem.type === 'not-found') {
    return (
      <EntryLayout title={t('session.linkBroken')} lead="">
        <ProblemText error={link.error} />
        <Link to="/sign-in" className="mt-6 inline-block text-accent underline underline-offset-4">
          {t('session.toSignInNow')}
        </Link>
      </EntryLayout>
    );
  }
  if (link.error) return <Failure error={link.error} onRetry={() => void link.refetch()} />;
  if (!link.data) return <Loading />;
  const { kind, email, name, until } = link.data;
  const required = { required: t('session.required') };
  const isInvitation = kind === 'invitation';
  return (
    <EntryLayout
      title={t(isInvitation ? 'session.invitedTitle' : 'session.resetTitle')}
      lead={
        isInvitation
          ? t('session.invitedLead', { email, day: shownDay(until) })
          : t('session.resetLead', { email, name: name ?? '' })
      }
    >
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => void handleSubmit((values) => use.mutate(values))(event)}
      >
        {/* Programs that keep passwords see whose it is. */}
        <input type="hidden" autoComplete="username" value={email} readOnly />
        {isInvitation && (
          <Field
            label={t('session.yourName')}
            autoComplete="name"
            maxLength={80}
            error={formState.errors.name?.message}
            {...register('name', required)}
          />
        )}
        <Field
          label={t('session.newPassword', { least: passwordLimits.least })}
          type="password"
          autoComplete="new-password"
          maxLength={passwordLimits.most}
          error={formState.errors.password?.message}
          {...register('password', required)}
        />
        <ProblemText error={use.error} />
        <Button primary type="submit" disabled={use.isPending} className="h-9 self-start px-4">
          {t(isInvitation ? 'session.firstMake' : 'session.setPassword')}
        </Button>
      </form>
    </EntryLayout>
  );
}
