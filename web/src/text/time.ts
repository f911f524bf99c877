const sameDay = new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', hour12: false });
const otherDay = new Intl.DateTimeFormat('en', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  hour12: false,
});

/** A moment, short: the time alone where it was today. */
export function shownTime(iso: string, now = new Date()): string {
  const moment = new Date(iso);
  return (moment.toDateString() === now.toDateString() ? sameDay : otherDay).format(moment);
}

const longDay = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

/** A day, with the month in letters, so that nobody takes it for the day. */
export const shownDay = (moment: string | number): string => longDay.format(new Date(moment));
