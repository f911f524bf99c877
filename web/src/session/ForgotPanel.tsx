import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { call } from '../api/instructorCall.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { Panel } from '../ui/Panel.js';

interface ForgotPanelProps {
  /** Whether a link can come by mail; else an administrator gives one. */
  readonly byMail: boolean;
  readonly email: string;
  readonly tell: (what: unknown) => string;
  readonly onClose: () => void;
}

/** What to do when the password is forgotten. */
export function ForgotPanel({ byMail, email, tell, onClose }: ForgotPanelProps) {
  const { t } = useTranslation();
  const { register, handleSubmit, formState } = useForm<{ email: string }>({ defaultValues: { email } });
  const send = useMutation({
    mutationFn: (body: { email: string }) => call('forgotPassword', { body }),
  });
  return (
    <Panel
      open
      onClose={onClose}
      title={t('session.forgotTitle')}
      lead={t(byMail ? 'session.forgotByMail' : 'session.forgotByAdministrator')}
    >
      {byMail &&
        (send.isSuccess ? (
          <p role="status" className="text-[14px]">
            {t('session.forgotSent')}
          </p>
        ) : (
          <form
            noValidate
            className="flex flex-col gap-4"
            onSubmit={(event) => void handleSubmit((body) => send.mutate(body))(event)}
          >
            <Field
              label={t('session.email')}
              type="email"
              autoComplete="username"
              error={formState.errors.email?.message ?? (send.error ? tell(send.error) : undefined)}
              {...register('email', { required: t('session.required') })}
            />
            <Button primary type="submit" disabled={send.isPending} className="self-start">
              {t('session.forgotSend')}
            </Button>
          </form>
        ))}
    </Panel>
  );
}
