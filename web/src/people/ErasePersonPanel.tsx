import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { EraseForm } from '../account/EraseForm.js';
import { call } from '../api/instructorCall.js';
import { useTranslation } from '../text/text.js';
import { Choice } from '../ui/Choice.js';
import { Panel } from '../ui/Panel.js';
import type { Person } from './person.js';

interface ErasePersonPanelProps {
  readonly person: Person;
  /** To whom the courses can go. */
  readonly heirs: readonly Person[];
  readonly onDone: () => void;
  readonly onClose: () => void;
}

/** Erases an instructor; the courses go to somebody, or are deleted. */
export function ErasePersonPanel({ person, heirs, onDone, onClose }: ErasePersonPanelProps) {
  const { t } = useTranslation();
  const [heir, setHeir] = useState(heirs[0]?.id ?? '');
  const erase = useMutation({
    mutationFn: (name: string) =>
      call('erasePerson', {
        params: { person: person.id },
        body: { name, coursesTo: person.courses > 0 && heir ? heir : null },
      }),
    onSuccess: onDone,
  });
  return (
    <Panel
      open
      onClose={onClose}
      title={t('people.eraseTitle', { name: person.name })}
      lead={t('people.eraseLead')}
    >
      <EraseForm
        name={person.name}
        isPending={erase.isPending}
        error={erase.error}
        onErase={(name) => erase.mutate(name)}
        onCancel={onClose}
      >
        {person.courses > 0 && (
          <Choice
            label={t('people.coursesGo')}
            value={heir}
            choices={[...heirs.map(({ id }) => id), '']}
            name={(id) =>
              id === ''
                ? t('people.coursesGone')
                : t('people.coursesTo', { name: heirs.find((other) => other.id === id)!.name })
            }
            onChange={setHeir}
          />
        )}
      </EraseForm>
    </Panel>
  );
}
