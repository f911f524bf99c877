import type { Answer, Body } from '@bogen/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call } from '../api/instructorCall.js';

export type Course = Answer<'shelf'>['courses'][number];
export type Lesson = Course['lessons'][number];

/** Something that is done to the shelf. */
export type ShelfChange =
  | { readonly of: 'course'; readonly id: string; readonly change: Body<'changeCourse'> }
  | { readonly of: 'lesson'; readonly id: string; readonly change: Body<'changeLesson'> }
  | { readonly of: 'class'; readonly id: string; readonly change: Body<'changeClass'> }
  | { readonly of: 'copyCourse' | 'copyLesson'; readonly id: string; readonly title: string };

/** The shelf as the server has it. */
export const useShelf = () =>
  useQuery({ queryKey: ['shelf'], queryFn: ({ signal }) => call('shelf', { signal }) });

/** Does something to the shelf, which is then asked for again. */
export function useShelfChange() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (what: ShelfChange): Promise<unknown> => {
      switch (what.of) {
        case 'course':
          return call('changeCourse', { params: { course: what.id }, body: what.change });
        case 'lesson':
          return call('changeLesson', { params: { lesson: what.id }, body: what.change });
        case 'class':
          return call('changeClass', { params: { class: what.id }, body: what.change });
        case 'copyCourse':
          return call('copyCourse', { params: { course: what.id }, body: { title: what.title } });
        case 'copyLesson':
          return call('copyLesson', { params: { lesson: what.id }, body: { title: what.title } });
      }
    },
    onSuccess: () => client.invalidateQueries({ queryKey: ['shelf'] }),
  });
}
