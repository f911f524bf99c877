import type { UseMutationResult } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { NamePanel } from './NamePanel.js';

interface NameFormProps {
  readonly trigger: string;
  readonly label: string;
  readonly mutation: UseMutationResult<unknown, Error, string>;
}

/** A button that asks for a name and makes something of it. */
export function NameForm({ trigger, label, mutation }: NameFormProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const close = (): void => {
    setOpen(false);
    mutation.reset();
  };
  return (
    <>
      <Button quiet onClick={() => setOpen(true)}>
        <Plus aria-hidden size={15} />
        {trigger}
      </Button>
      <NamePanel
        open={open}
        title={trigger}
        label={label}
        act={t('shelf.make')}
        isPending={mutation.isPending}
        error={mutation.error}
        onName={(name) => mutation.mutate(name, { onSuccess: close })}
        onClose={close}
      />
    </>
  );
}
