import '../text/enPages.js';
import { ProblemText } from '../ui/ProblemText.js';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link, useSearchParams } from 'react-router';
import { call } from '../api/call.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { EntryLayout } from './EntryLayout.js';
import { ReturnKey } from './ReturnKey.js';
import { continueAt, placeAfter } from './useAccount.js';

interface Values {
  code: string;
  name: string;
  returnKey: string;
}

/** The students' door: a class code with a new name, or with a return key. */
export function JoinPage() {
  const { t } = useTranslation();
  const [search] = useSearchParams();
  const [returning, setReturning] = useState(false);
  const { register, handleSubmit, formState } = useForm<Values>({
    defaultValues: { code: search.get('code') ?? '' },
    shouldUnregister: true,
  });
  const place = placeAfter(search, '/class');
  const join = useMutation({
    mutationFn: async ({ code, name, returnKey }: Values): Promise<{ returnKey: string | null }> => {
      if (!returning) return call('join', { body: { code, name } });
      await call('comeBack', { body: { code, returnKey } });
      return { returnKey: null };
    },
    onSuccess: ({ returnKey }) => {
      if (returnKey === null) continueAt(place);
    },
  });
  if (join.data?.returnKey) {
    return (
      <EntryLayout title={t('session.keyTitle')} lead={t('session.keyLead')}>
        <ReturnKey value={join.data.returnKey} />
        <Button primary className="mt-6 h-9 px-4" onClick={() => continueAt(place)}>
          {t('session.goOn')}
        </Button>
      </EntryLayout>
    );
  }
  const required = { required: t('session.required') };
  return (
    <EntryLayout
      title={returning ? t('session.backTitle') : t('session.joinTitle')}
      lead={returning ? t('session.backLead') : t('session.joinLead')}
    >
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => void handleSubmit((values) => join.mutate(values))(event)}
      >
        <Field
          label={t('session.code')}
          autoComplete="off"
          autoCapitalize="characters"
          error={formState.errors.code?.message}
          {...register('code', required)}
        />
        {returning ? (
          <Field
            key="key"
            label={t('session.returnKey')}
            autoComplete="off"
            error={formState.errors.returnKey?.message}
            {...register('returnKey', required)}
          />
        ) : (
          <Field
            key="name"
            label={t('session.name')}
            autoComplete="nickname"
            maxLength={60}
            error={formState.errors.name?.message}
            {...register('name', required)}
          />
        )}
        <ProblemText error={join.error} />
        <div className="flex items-center gap-3">
          <Button primary type="submit" disabled={join.isPending} className="h-9 px-4">
            {returning ? t('session.comeBack') : t('session.join')}
          </Button>
          <Button
            quiet
            className="h-9"
            onClick={() => {
              setReturning(!returning);
              join.reset();
            }}
          >
            {returning ? t('session.noKey') : t('session.haveKey')}
          </Button>
        </div>
      </form>
      <Link to="/sign-in" className="mt-8 inline-block text-accent underline underline-offset-4">
        {t('session.toSignIn')}
      </Link>
      <br />
      <Link to="/bench" className="mt-2 inline-block text-accent underline underline-offset-4">
        {t('session.toBench')}
      </Link>
    </EntryLayout>
  );
}
