import { lessonFileVersion, type LessonFile } from '@bogen/contract';
import type { DemoLesson } from '@bogen/demo';

/** A lesson of the demo as a lesson file, as the writer gives one out: with what its figures are drawn over. */
export const lessonFileOf = ({
  document,
  drawings = [],
}: DemoLesson): Omit<LessonFile, 'lesson'> & { lesson: unknown } => ({
  format: 'bogen-lesson',
  version: lessonFileVersion,
  pictures: Object.fromEntries(
    drawings.map(({ item, svg }) => [
      item.picture,
      { mediaType: 'image/svg+xml' as const, data: Buffer.from(svg).toString('base64') },
    ]),
  ),
  lesson: document,
});
