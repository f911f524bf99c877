import type { Body } from '@bogen/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { call } from '../api/instructorCall.js';
import { NamePanel } from '../shelf/NamePanel.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { Menu } from '../ui/Menu.js';
import { Panel } from '../ui/Panel.js';
import { ProblemText } from '../ui/ProblemText.js';
import type { Desk } from './desk.js';
import type { DeskHands } from './hands.js';
import { TakeInWork } from './TakeInWork.js';

/** What can be done with a class. */
export function ClassMenu({ desk, hands }: { desk: Desk; hands: DeskHands }) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [asks, setAsks] = useState<'name' | 'keep' | 'code' | 'work' | 'delete' | null>(null);
  const params = { class: hands.classId };
  const { className: name, closedAt, notJoined, archived } = desk;
  const change = useMutation({
    mutationFn: (body: Body<'changeClass'>) => call('changeClass', { params, body }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['shelf'] }),
  });
  const code = useMutation({
    mutationFn: () => call('newClassCode', { params, body: {} }),
    onSuccess: (made) => {
      setAsks(null);
      hands.says(t('classes.newCodeSet', { code: made.code }));
    },
  });
  const keys = useMutation({
    mutationFn: async () => {
      const { students } = await call('classStudents', { params });
      const ids = students.filter(({ hasJoined }) => !hasJoined).map(({ id }) => id);
      return call('newKeys', { params, body: { students: ids.slice(0, 500) } });
    },
    onSuccess: ({ students }) => hands.givesKeys({ students, taken: [] }),
    onError: hands.fails,
  });
  const close = (): void => {
    setAsks(null);
    change.reset();
    code.reset();
  };
  const does = (body: Body<'changeClass'>, words: string): void =>
    change.mutate(body, {
      onSuccess: () => {
        close();
        hands.says(words);
      },
      // A panel says what is wrong itself.
      onError: (error) => asks === null && hands.fails(error),
    });
  return (
    <>
      <Menu
        label={t('classes.menu')}
        rows={[
          { label: t('classes.rename'), act: () => setAsks('name') },
          { label: t('classes.newCode'), act: () => setAsks('code') },
          notJoined > 0 && {
            label: t('classes.keysForNew', { count: notJoined }),
            act: () => keys.mutate(),
          },
          { label: t('classes.takeWork'), act: () => setAsks('work') },
          closedAt === null
            ? { label: t('classes.close'), act: () => does({ closed: true }, '') }
            : { label: t('classes.open'), act: () => does({ closed: false }, t('classes.opened')) },
          { label: t('classes.keep'), act: () => setAsks('keep') },
          archived
            ? {
                label: t('classes.bringOut'),
                act: () => does({ archived: false }, t('shelf.isBack', { title: name })),
              }
            : {
                label: t('classes.putAway'),
                act: () => does({ archived: true }, t('shelf.isPutAway', { title: name })),
              },
          { label: t('classes.delete'), act: () => setAsks('delete') },
        ]}
      >
        {t('classes.menu')}
      </Menu>
      <NamePanel
        open={asks === 'name'}
        title={t('classes.rename')}
        label={t('classes.className')}
        name={name}
        act={t('shelf.setName')}
        isPending={change.isPending}
        error={change.error}
        onName={(next) => does({ name: next }, t('classes.renamed', { name: next }))}
        onClose={close}
      />
      {asks === 'keep' && (
        <Panel open onClose={close} title={t('classes.keepTitle')} lead={t('classes.keepLead')}>
          <KeepForm
            days={desk.daysKept}
            error={change.error}
            isPending={change.isPending}
            onDays={(daysKept) => does({ daysKept }, t('classes.keepSet'))}
            onClose={close}
          />
        </Panel>
      )}
      {asks === 'code' && (
        <Panel open onClose={close} title={t('classes.newCodeTitle')} lead={t('classes.newCodeLead')}>
          <ProblemText error={code.error} />
          <div className="flex gap-2">
            <Button primary disabled={code.isPending} onClick={() => code.mutate()}>
              {t('classes.newCode')}
            </Button>
            <Button onClick={close}>{t('classes.cancel')}</Button>
          </div>
        </Panel>
      )}
      {asks === 'work' && <TakeInWork hands={hands} onClose={close} />}
      {asks === 'delete' && (
        <Panel
          open
          onClose={close}
          title={t('classes.deleteTitle', { name })}
          lead={t('classes.deleteLead', { count: desk.count })}
        >
          <ProblemText error={change.error} />
          <div className="flex gap-2">
            <Button
              primary
              disabled={change.isPending}
              onClick={() => change.mutate({ deleted: true }, { onSuccess: () => void navigate('/shelf') })}
            >
              {t('classes.delete')}
            </Button>
            <Button onClick={close}>{t('classes.cancel')}</Button>
          </div>
        </Panel>
      )}
    </>
  );
}

interface KeepFormProps {
  readonly days: number | null;
  readonly error: Error | null;
  readonly isPending: boolean;
  readonly onDays: (days: number | null) => void;
  readonly onClose: () => void;
}

function KeepForm({ days, error, isPending, onDays, onClose }: KeepFormProps) {
  const { t } = useTranslation();
  const { register, handleSubmit, formState } = useForm<{ days: string }>({
    defaultValues: { days: days === null ? '' : String(days) },
  });
  const isDays = (text: string): boolean =>
    text.trim() === '' || (/^\d{1,4}$/.test(text.trim()) && Number(text) >= 1 && Number(text) <= 3650);
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={(event) =>
        void handleSubmit((given) => onDays(given.days.trim() === '' ? null : Number(given.days)))(event)
      }
    >
      <Field
        autoFocus
        label={t('classes.keepDays')}
        inputMode="numeric"
        error={formState.errors.days?.message}
        {...register('days', { validate: (text) => isDays(text) || t('classes.keepRange') })}
      />
      <ProblemText error={error} />
      <div className="flex gap-2">
        <Button primary type="submit" disabled={isPending}>
          {t('classes.set')}
        </Button>
        <Button onClick={onClose}>{t('classes.cancel')}</Button>
      </div>
    </form>
  );
}
