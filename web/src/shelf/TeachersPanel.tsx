import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { call } from '../api/instructorCall.js';
import { useAccount } from '../session/useAccount.js';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { Panel } from '../ui/Panel.js';
import { ProblemText } from '../ui/ProblemText.js';
import type { Course } from './useShelf.js';

/** Who teaches a course, and who teaches along. */
export function TeachersPanel({ course, onClose }: { course: Course; onClose: () => void }) {
  const { t } = useTranslation();
  const tell = useTold();
  const client = useQueryClient();
  const who = useAccount().data;
  const own = who?.who === 'instructor' ? who.instructor.id : '';
  const params = { course: course.id };
  const isOwn = course.owner === null;
  const key = ['teachers', course.id];
  const teachers = useQuery({
    queryKey: key,
    queryFn: ({ signal }) => call('courseInstructors', { params, signal }),
    staleTime: 0,
  });
  const { register, handleSubmit, formState, reset } = useForm<{ email: string }>();
  const add = useMutation({
    mutationFn: (body: { email: string }) => call('addCourseInstructor', { params, body }),
    onSuccess: async () => {
      reset();
      await client.invalidateQueries({ queryKey: key });
    },
  });
  const remove = useMutation({
    mutationFn: (instructor: string) =>
      call('removeCourseInstructor', { params: { ...params, instructor }, body: {} }),
    onSuccess: async (_, instructor) => {
      if (instructor === own) {
        onClose();
        await client.invalidateQueries({ queryKey: ['shelf'] });
      } else await client.invalidateQueries({ queryKey: key });
    },
  });
  return (
    <Panel
      open
      onClose={onClose}
      title={t('classes.teachersTitle', { title: course.title })}
      lead={t('classes.alongLead')}
    >
      <ProblemText error={teachers.error ?? remove.error} />
      {teachers.data && (
        <ul className="divide-y divide-line text-[14px]" data-teachers>
          <li className="py-1.5">
            {teachers.data.owner.name}
            <span className="block text-[13px] text-soft">{t('classes.owner')}</span>
          </li>
          {teachers.data.instructors.map(({ id, name }) => (
            <li key={id} className="flex items-center gap-2 py-1.5">
              <span className="flex-1">
                {name}
                <span className="block text-[13px] text-soft">{t('classes.along')}</span>
              </span>
              {(isOwn || id === own) && (
                <Button
                  quiet
                  aria-label={`${t(isOwn ? 'classes.removeTeacher' : 'classes.leave')}: ${name}`}
                  disabled={remove.isPending}
                  onClick={() => remove.mutate(id)}
                >
                  {t(isOwn ? 'classes.removeTeacher' : 'classes.leave')}
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {isOwn && (
        <form
          noValidate
          className="flex flex-col gap-3"
          onSubmit={(event) => void handleSubmit((body) => add.mutate(body))(event)}
        >
          <Field
            label={t('classes.address')}
            type="email"
            autoComplete="off"
            maxLength={200}
            error={formState.errors.email?.message ?? (add.error ? tell(add.error) : undefined)}
            {...register('email', { required: t('session.required') })}
          />
          <Button primary type="submit" disabled={add.isPending} className="self-start">
            {t('classes.addTeacher')}
          </Button>
        </form>
      )}
    </Panel>
  );
}
