import { paths } from '@bogen/contract/paths';
import type { Body } from '@bogen/contract';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { EraseForm } from '../account/EraseForm.js';
import { saveData } from '../account/saveData.js';
import { call } from '../api/instructorCall.js';
import { NamePanel } from '../shelf/NamePanel.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Choice } from '../ui/Choice.js';
import { Menu } from '../ui/Menu.js';
import { Panel } from '../ui/Panel.js';
import { ProblemText } from '../ui/ProblemText.js';
import type { Desk } from './desk.js';
import type { DeskHands } from './hands.js';

interface StudentMenuProps {
  readonly student: Desk['students'][number];
  readonly desk: Desk;
  readonly hands: DeskHands;
}

/** What can be done with a student of a class. */
export function StudentMenu({ student, desk, hands }: StudentMenuProps) {
  const { t } = useTranslation();
  const [asks, setAsks] = useState<'name' | 'key' | 'move' | 'merge' | 'erase' | null>(null);
  const { id, name } = student;
  const params = { class: hands.classId, student: id };
  const change = useMutation({
    mutationFn: (body: Body<'changeStudent'>) => call('changeStudent', { params, body }),
  });
  const key = useMutation({
    mutationFn: () => call('newKeys', { params: { class: hands.classId }, body: { students: [id] } }),
    onSuccess: ({ students }) => hands.givesKeys({ students, taken: [] }),
  });
  const erase = useMutation({
    mutationFn: (typed: string) => call('eraseStudent', { params, body: { name: typed } }),
    onSuccess: () => {
      setAsks(null);
      hands.says(t('classes.erased'));
    },
  });
  const close = (): void => {
    setAsks(null);
    [change, key, erase].forEach((mutation) => mutation.reset());
  };
  const does = (body: Body<'changeStudent'>, words: string): void =>
    change.mutate(body, {
      onSuccess: () => {
        close();
        hands.says(words);
      },
      onError: (error) => asks === null && hands.fails(error),
    });
  const takeData = (): void => {
    const path = paths.studentData.path.replace(':class', hands.classId).replace(':student', id);
    saveData(path, `bogen, ${name}.json`).catch(() => hands.fails(t('account.dataFailed')));
  };
  return (
    <>
      <Menu
        label={t('classes.studentMenu', { name })}
        rows={[
          { label: t('classes.renameStudent'), act: () => setAsks('name') },
          { label: t('classes.newKey'), act: () => setAsks('key') },
          { label: t('classes.move'), act: () => setAsks('move') },
          { label: t('classes.merge'), act: () => setAsks('merge') },
          { label: t('classes.takeData'), act: takeData },
          { label: t('classes.remove'), act: () => does({ removed: true }, t('classes.removed', { name })) },
          { label: t('classes.erase'), act: () => setAsks('erase') },
        ]}
      />
      <NamePanel
        open={asks === 'name'}
        title={t('classes.renameStudent')}
        label={t('classes.studentName')}
        name={name}
        most={60}
        act={t('shelf.setName')}
        isPending={change.isPending}
        error={change.error}
        onName={(next) => does({ name: next }, t('classes.studentRenamed', { before: name, name: next }))}
        onClose={close}
      />
      {asks === 'key' && (
        <Panel
          open
          onClose={close}
          title={t('classes.newKeyTitle', { name })}
          lead={t('classes.newKeyLead', { name })}
        >
          <ProblemText error={key.error} />
          <Buttons onCancel={close}>
            <Button primary disabled={key.isPending} onClick={() => key.mutate()}>
              {t('classes.makeKey')}
            </Button>
          </Buttons>
        </Panel>
      )}
      {asks === 'move' && (
        <Panel open onClose={close} title={t('classes.moveTitle', { name })} lead={t('classes.moveLead')}>
          <MoveForm
            desk={desk}
            isPending={change.isPending}
            error={change.error}
            onMove={(group) => does({ class: group.id }, t('classes.moved', { name, class: group.name }))}
            onCancel={close}
          />
        </Panel>
      )}
      {asks === 'merge' && (
        <Panel open onClose={close} title={t('classes.mergeTitle')} lead={t('classes.mergeLead', { name })}>
          <MergeForm student={student} hands={hands} onDone={close} onCancel={close} />
        </Panel>
      )}
      {asks === 'erase' && (
        <Panel open onClose={close} title={t('classes.eraseTitle', { name })} lead={t('classes.eraseLead')}>
          <EraseForm
            name={name}
            isPending={erase.isPending}
            error={erase.error}
            onErase={(typed) => erase.mutate(typed)}
            onCancel={close}
          />
        </Panel>
      )}
    </>
  );
}

function Buttons({ children, onCancel }: { children: ReactNode; onCancel: () => void }) {
  const { t } = useTranslation();
  return (
    <div className="flex gap-2">
      {children}
      <Button onClick={onCancel}>{t('classes.cancel')}</Button>
    </div>
  );
}

interface MoveFormProps {
  readonly desk: Desk;
  readonly isPending: boolean;
  readonly error: unknown;
  readonly onMove: (group: Desk['otherClasses'][number]) => void;
  readonly onCancel: () => void;
}

function MoveForm({ desk: { otherClasses }, isPending, error, onMove, onCancel }: MoveFormProps) {
  const { t } = useTranslation();
  const [to, setTo] = useState(otherClasses[0]?.id ?? '');
  const group = otherClasses.find(({ id }) => id === to);
  if (!group) return <p className="text-[14px]">{t('classes.noOtherClass')}</p>;
  return (
    <>
      <Choice
        label={t('classes.moveTo')}
        value={to}
        choices={otherClasses.map(({ id }) => id)}
        name={(id) => {
          const { name, courseTitle } = otherClasses.find((other) => other.id === id)!;
          return `${name} (${courseTitle})`;
        }}
        onChange={setTo}
      />
      <ProblemText error={error} />
      <Buttons onCancel={onCancel}>
        <Button primary disabled={isPending} onClick={() => onMove(group)}>
          {t('classes.moveNow')}
        </Button>
      </Buttons>
    </>
  );
}

interface MergeFormProps {
  readonly student: Desk['students'][number];
  readonly hands: DeskHands;
  readonly onDone: () => void;
  readonly onCancel: () => void;
}

function MergeForm({ student: { id, name }, hands, onDone, onCancel }: MergeFormProps) {
  const { t } = useTranslation();
  const params = { class: hands.classId };
  const all = useQuery({
    queryKey: ['classStudents', hands.classId],
    queryFn: ({ signal }) => call('classStudents', { params, signal }),
    staleTime: 0,
  });
  const [chosen, setChosen] = useState('');
  const merge = useMutation({
    mutationFn: (from: string) =>
      call('mergeStudents', { params: { ...params, student: id }, body: { from } }),
  });
  if (all.error) return <ProblemText error={all.error} />;
  if (!all.data) return <p className="text-[14px] text-soft">{t('app.loading')}</p>;
  const others = all.data.students.filter((other) => other.id !== id);
  const from = others.find((other) => other.id === chosen) ?? others[0];
  if (!from) return <p className="text-[14px]">{t('classes.nobodyElse')}</p>;
  return (
    <>
      <Choice
        label={t('classes.mergeWith')}
        value={from.id}
        choices={others.map((other) => other.id)}
        name={(other) => others.find((student) => student.id === other)!.name}
        onChange={setChosen}
      />
      <ProblemText error={merge.error} />
      <Buttons onCancel={onCancel}>
        <Button
          primary
          disabled={merge.isPending}
          onClick={() =>
            merge.mutate(from.id, {
              onSuccess: ({ toBench }) => {
                onDone();
                hands.says(
                  toBench > 0
                    ? t('classes.mergedBench', { from: from.name, name, count: toBench })
                    : t('classes.merged', { from: from.name, name }),
                );
              },
            })
          }
        >
          {t('classes.mergeNow')}
        </Button>
      </Buttons>
    </>
  );
}
