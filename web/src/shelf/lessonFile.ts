import { bodyLimits } from '@bogen/contract/limits';
import { call } from '../api/instructorCall.js';
import { saveFile } from '../ui/saveFile.js';

/** Gives a lesson out as a file, named by its title. */
export async function giveOut(lesson: string, title: string): Promise<void> {
  const file = await call('lessonFile', { params: { lesson } });
  const blob = new Blob([JSON.stringify(file, null, 1)], { type: 'application/json' });
  saveFile(blob, `${title}.json`);
}

/** Gives the newest edition out as a page that needs no server, named by its title. */
export async function giveOutPage(lesson: string): Promise<void> {
  const { title, html } = await call('lessonPage', { params: { lesson } });
  saveFile(new Blob([html], { type: 'text/html' }), `${title}.html`);
}

/** A file that is no lesson, for a reason that is known before it is sent. */
export class NoLessonFile extends Error {
  override readonly name = 'NoLessonFile';
  constructor(readonly reason: 'tooLarge' | 'notJson') {
    super(reason);
  }
}

/**
 * Makes a lesson of a file.
 * @param onSent told how much of it is sent, 0 to 1
 * @throws NoLessonFile, or what `call` throws
 */
export async function takeIn(
  course: string,
  file: File,
  onSent: (share: number) => void,
): Promise<{ id: string; title: string }> {
  if (file.size > bodyLimits.lessonFile - 1000) throw new NoLessonFile('tooLarge');
  let content: unknown;
  try {
    content = JSON.parse(await file.text());
  } catch {
    throw new NoLessonFile('notJson');
  }
  return call('addLessonFile', { params: { course }, body: { file: content }, onSent });
}
