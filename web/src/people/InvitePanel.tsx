import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { call } from '../api/instructorCall.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Choice } from '../ui/Choice.js';
import { Field } from '../ui/Field.js';
import { Panel } from '../ui/Panel.js';
import { ProblemText } from '../ui/ProblemText.js';
import { LinkToGive } from './LinkPanel.js';

interface Values {
  email: string;
  role: 'instructor' | 'administrator';
}

/** Makes a link with which somebody makes an account. */
export function InvitePanel({ onClose }: { onClose: () => void }) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const { register, handleSubmit, formState, watch, setValue, getValues } = useForm<Values>({
    defaultValues: { email: '', role: 'instructor' },
  });
  const invite = useMutation({
    mutationFn: (body: Values) => call('invite', { body }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['people'] }),
  });
  return (
    <Panel open onClose={onClose} title={t('people.inviteTitle')} lead={t('people.inviteLead')}>
      {invite.data ? (
        <LinkToGive link={invite.data} email={getValues('email')} onDone={onClose} />
      ) : (
        <form
          noValidate
          className="flex flex-col gap-4"
          onSubmit={(event) => void handleSubmit((body) => invite.mutate(body))(event)}
        >
          <Field
            autoFocus
            label={t('account.email')}
            type="email"
            autoComplete="off"
            maxLength={200}
            error={formState.errors.email?.message}
            {...register('email', { required: t('session.required') })}
          />
          <Choice
            label={t('people.role')}
            value={watch('role')}
            choices={['instructor', 'administrator']}
            name={(role) => t(`account.role.${role}`)}
            onChange={(role) => setValue('role', role)}
          />
          <ProblemText error={invite.error} />
          <div className="flex gap-2">
            <Button primary type="submit" disabled={invite.isPending}>
              {t('people.makeLink')}
            </Button>
            <Button onClick={onClose}>{t('account.cancel')}</Button>
          </div>
        </form>
      )}
    </Panel>
  );
}
