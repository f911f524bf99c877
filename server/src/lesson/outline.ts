import type { LessonDocument } from '@bogen/core/lesson';

/** What lists show of an edition: its title and sheets without their contents. It is kept beside the edition. */
export interface Outline {
  readonly title: string;
  readonly sheets: readonly {
    readonly id: string;
    readonly title: string;
    readonly tasks: readonly string[];
  }[];
}

export function outlineOf({ title, sheets }: LessonDocument): Outline {
  return {
    title,
    sheets: sheets.map((sheet) => ({
      id: sheet.id,
      title: sheet.title,
      tasks: sheet.tasks.map(({ id }) => id),
    })),
  };
}
