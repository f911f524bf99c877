import '../text/enPages.js';
import { useForm } from 'react-hook-form';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { Panel } from '../ui/Panel.js';

interface NamePanelProps {
  readonly open: boolean;
  readonly title: string;
  readonly label: string;
  /** What stands in the field at first. */
  readonly name?: string;
  /** Characters that it may have. */
  readonly most?: number;
  /** What the button says that does it. */
  readonly act: string;
  readonly isPending: boolean;
  readonly error: Error | null;
  readonly onName: (name: string) => void;
  readonly onClose: () => void;
}

/** Asks for a name. */
export function NamePanel(props: NamePanelProps) {
  return (
    <Panel open={props.open} onClose={props.onClose} title={props.title}>
      {props.open && <NameFields {...props} />}
    </Panel>
  );
}

function NameFields({
  label,
  name = '',
  most = 200,
  act,
  isPending,
  error,
  onName,
  onClose,
}: NamePanelProps) {
  const { t } = useTranslation();
  const tell = useTold();
  const { register, handleSubmit, formState } = useForm<{ name: string }>({ defaultValues: { name } });
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={(event) => void handleSubmit((given) => onName(given.name.trim()))(event)}
    >
      <Field
        autoFocus
        label={label}
        maxLength={most}
        error={formState.errors.name?.message ?? (error ? tell(error) : undefined)}
        {...register('name', { validate: (value) => value.trim() !== '' || t('session.required') })}
      />
      <div className="flex gap-2">
        <Button primary type="submit" disabled={isPending}>
          {act}
        </Button>
        <Button onClick={onClose}>{t('shelf.cancel')}</Button>
      </div>
    </form>
  );
}
