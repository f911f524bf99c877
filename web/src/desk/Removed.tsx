import { useMutation } from '@tanstack/react-query';
import { call } from '../api/instructorCall.js';
import { useTranslation } from '../text/text.js';
import { shownDay } from '../text/time.js';
import { Button } from '../ui/Button.js';
import type { Desk } from './desk.js';
import type { DeskHands } from './hands.js';

/** Who was removed from the class, to bring back. */
export function Removed({ removed, hands }: { removed: Desk['removed']; hands: DeskHands }) {
  const { t } = useTranslation();
  const back = useMutation({
    mutationFn: ({ id }: Desk['removed'][number]) =>
      call('changeStudent', { params: { class: hands.classId, student: id }, body: { removed: false } }),
    onSuccess: (_, { name }) => hands.says(t('classes.back', { name })),
    onError: hands.fails,
  });
  if (removed.length === 0) return null;
  return (
    <section aria-labelledby="removed" className="mt-10" data-removed>
      <h2 id="removed" className="border-b border-line pb-2 font-serif text-[19px]">
        {t('classes.removedTitle')}
      </h2>
      <ul className="divide-y divide-line">
        {removed.map((student) => (
          <li key={student.id} className="flex flex-wrap items-center gap-x-6 py-1.5">
            <span className="min-w-[220px] font-serif text-[15px]">{student.name}</span>
            <span className="flex-1 text-[13px] text-soft">
              {t('classes.removedUntil', { day: shownDay(student.until) })}
            </span>
            <Button
              quiet
              aria-label={`${t('classes.bringBack')}: ${student.name}`}
              disabled={back.isPending}
              onClick={() => back.mutate(student)}
            >
              {t('classes.bringBack')}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
