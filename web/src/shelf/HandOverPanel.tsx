import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { call } from '../api/instructorCall.js';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Check } from '../ui/Choice.js';
import { Field } from '../ui/Field.js';
import { Panel } from '../ui/Panel.js';
import type { ShelfHands } from './hands.js';

interface HandOverPanelProps {
  readonly of: 'course' | 'lesson';
  readonly id: string;
  readonly title: string;
  readonly hands: ShelfHands;
  readonly onClose: () => void;
}

interface Values {
  email: string;
  stay: boolean;
}

/** Gives a course or a lesson to another instructor. */
export function HandOverPanel({ of, id, title, hands, onClose }: HandOverPanelProps) {
  const { t } = useTranslation();
  const tell = useTold();
  const client = useQueryClient();
  const { register, handleSubmit, formState, watch, setValue } = useForm<Values>({
    defaultValues: { email: '', stay: true },
  });
  const give = useMutation({
    mutationFn: ({ email, stay }: Values) =>
      of === 'course'
        ? call('handOverCourse', { params: { course: id }, body: { email, stay } })
        : call('handOverLesson', { params: { lesson: id }, body: { email } }),
    onSuccess: async () => {
      onClose();
      hands.says(t('classes.handed', { title }));
      await client.invalidateQueries({ queryKey: ['shelf'] });
    },
  });
  return (
    <Panel
      open
      onClose={onClose}
      title={t(of === 'course' ? 'classes.handOverCourse' : 'classes.handOverLesson', { title })}
      lead={t(of === 'course' ? 'classes.handOverCourseLead' : 'classes.handOverLessonLead')}
    >
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => void handleSubmit((values) => give.mutate(values))(event)}
      >
        <Field
          autoFocus
          label={t('classes.address')}
          type="email"
          autoComplete="off"
          maxLength={200}
          error={formState.errors.email?.message ?? (give.error ? tell(give.error) : undefined)}
          {...register('email', { required: t('session.required') })}
        />
        {of === 'course' && (
          <Check
            label={t('classes.stay')}
            value={watch('stay')}
            onChange={(stay) => setValue('stay', stay)}
          />
        )}
        <div className="flex gap-2">
          <Button primary type="submit" disabled={give.isPending}>
            {t('classes.handNow')}
          </Button>
          <Button onClick={onClose}>{t('classes.cancel')}</Button>
        </div>
      </form>
    </Panel>
  );
}
