import type { Sheet } from '@bogen/core/lesson';
import { readFileSync } from 'node:fs';

/** A lesson of the course as it is given out as a file. */
export interface LessonFile {
  readonly lesson: { readonly title: string; readonly sheets: readonly Sheet[] };
  readonly pictures: Readonly<Record<string, { readonly mediaType: string; readonly data: string }>>;
}

export const lessonFile = (name: string): LessonFile =>
  JSON.parse(readFileSync(new URL(`../../demo/lessons/${name}.json`, import.meta.url), 'utf8')) as LessonFile;
