import '../text/enPages.js';
import type { ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { ProblemText } from '../ui/ProblemText.js';

interface EraseFormProps {
  /** What has to be written before anything happens. */
  readonly name: string;
  readonly isPending: boolean;
  readonly error: unknown;
  readonly children?: ReactNode;
  readonly onErase: (name: string) => void;
  readonly onCancel: () => void;
}

/** Asks for the name once more before something is erased for good. */
export function EraseForm({ name, isPending, error, children, onErase, onCancel }: EraseFormProps) {
  const { t } = useTranslation();
  const { register, handleSubmit, watch } = useForm<{ name: string }>({ defaultValues: { name: '' } });
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={(event) => void handleSubmit((given) => onErase(given.name))(event)}
    >
      {children}
      <Field autoFocus label={t('account.eraseName', { name })} autoComplete="off" {...register('name')} />
      <ProblemText error={error} />
      <div className="flex gap-2">
        <Button primary type="submit" disabled={isPending || watch('name').trim() !== name}>
          {t('account.eraseNow')}
        </Button>
        <Button onClick={onCancel}>{t('account.cancel')}</Button>
      </div>
    </form>
  );
}
