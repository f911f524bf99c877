import '../text/enPages.js';
import { useTold } from '../text/told.js';
import type { UseMutationResult } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { Panel } from '../ui/Panel.js';

interface NameFormProps {
  readonly trigger: string;
  readonly label: string;
  readonly mutation: UseMutationResult<unknown, Error, string>;
}

/** A button that asks for a name and makes something of it. */
export function NameForm({ trigger, label, mutation }: NameFormProps) {
  const { t } = useTranslation();
  const tell = useTold();
  const [open, setOpen] = useState(false);
  const { register, handleSubmit, formState, reset } = useForm<{ name: string }>();
  const close = (): void => {
    setOpen(false);
    reset();
    mutation.reset();
  };
  return (
    <>
      <Button quiet onClick={() => setOpen(true)}>
        <Plus aria-hidden size={15} />
        {trigger}
      </Button>
      <Panel open={open} onClose={close} title={trigger}>
        <form
          noValidate
          className="flex flex-col gap-4"
          onSubmit={(event) =>
            void handleSubmit(({ name }) => mutation.mutate(name.trim(), { onSuccess: close }))(event)
          }
        >
          <Field
            autoFocus
            label={label}
            maxLength={200}
            error={formState.errors.name?.message ?? (mutation.error ? tell(mutation.error) : undefined)}
            {...register('name', { validate: (value) => value.trim() !== '' || t('session.required') })}
          />
          <div className="flex gap-2">
            <Button primary type="submit" disabled={mutation.isPending}>
              {t('shelf.make')}
            </Button>
            <Button onClick={close}>{t('shelf.cancel')}</Button>
          </div>
        </form>
      </Panel>
    </>
  );
}
