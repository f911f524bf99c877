import { z } from 'zod';
import { defineEndpoint } from '../endpoint.js';
import { rosterLimits } from '../limits.js';
import { paths } from '../paths.js';
import { email } from './account.js';
import { id, nothing, title } from './parts.js';

const ofClass = z.strictObject({ class: id });
const ofStudent = z.strictObject({ class: id, student: id });
const studentName = z.string().trim().min(1).max(60);
const withKey = z.object({ id, name: z.string(), returnKey: z.string() });

/** Classes and their students, as the instructor runs them; and who teaches a course. */
export const classEndpoints = {
  createClass: defineEndpoint({
    ...paths.createClass,
    access: 'instructor',
    summary: 'Makes a class with a code of its own.',
    params: z.strictObject({ course: id }),
    body: z.strictObject({ name: title }),
    answer: z.object({ id, code: z.string() }),
  }),
  changeClass: defineEndpoint({
    ...paths.changeClass,
    access: 'instructor',
    summary: 'Names a class, closes it, puts it away or deletes it, and takes that back.',
    params: ofClass,
    body: z.strictObject({
      name: title.optional(),
      closed: z.boolean().optional(),
      archived: z.boolean().optional(),
      deleted: z.boolean().optional(),
      /** For how many days after it closes the students and their work are kept; `null` for as long as the class is. */
      daysKept: z.int().min(1).max(3650).nullable().optional(),
    }),
    answer: nothing,
  }),
  newClassCode: defineEndpoint({
    ...paths.newClassCode,
    access: 'instructor',
    summary: 'Gives a class another code; the old one ends.',
    params: ofClass,
    body: nothing,
    answer: z.object({ code: z.string() }),
  }),
  addStudents: defineEndpoint({
    ...paths.addStudents,
    access: 'instructor',
    summary: 'Adds students by their names before they come, each with a return key.',
    params: ofClass,
    body: z.strictObject({ names: z.array(studentName).min(1).max(rosterLimits.atOnce) }),
    answer: z.object({
      added: z.array(withKey),
      /** Names that are in the class already, or twice in the list. */
      taken: z.array(z.string()),
    }),
  }),
  newKeys: defineEndpoint({
    ...paths.newKeys,
    access: 'instructor',
    summary: 'Makes new return keys; the old ones and the sessions of these students end.',
    params: ofClass,
    body: z.strictObject({ students: z.array(id).min(1).max(rosterLimits.atOnce) }),
    answer: z.object({ students: z.array(withKey) }),
  }),
  changeStudent: defineEndpoint({
    ...paths.changeStudent,
    access: 'instructor',
    summary: 'Names a student, moves them to another class, removes them, and takes that back.',
    params: ofStudent,
    body: z.strictObject({
      name: studentName.optional(),
      class: id.optional(),
      removed: z.boolean().optional(),
    }),
    answer: nothing,
  }),
  mergeStudents: defineEndpoint({
    ...paths.mergeStudents,
    access: 'instructor',
    summary: 'Makes one of two students who are the same person; the work of both is kept.',
    params: ofStudent,
    body: z.strictObject({ from: id }),
    answer: z.object({
      /** Figures of which both had one: the older is on the bench of the student. */
      toBench: z.int(),
    }),
  }),
  eraseStudent: defineEndpoint({
    ...paths.eraseStudent,
    access: 'instructor',
    summary: 'Erases a student with all work, at once and for good.',
    params: ofStudent,
    body: z.strictObject({ name: z.string().max(200) }),
    answer: nothing,
  }),
  studentData: defineEndpoint({
    ...paths.studentData,
    access: 'instructor',
    summary: 'All that is kept of a student, as one JSON document.',
    params: ofStudent,
    answer: z.unknown(),
  }),
  courseInstructors: defineEndpoint({
    ...paths.courseInstructors,
    access: 'instructor',
    summary: 'Who teaches a course.',
    params: z.strictObject({ course: id }),
    answer: z.object({
      owner: z.object({ id, name: z.string(), email: z.string() }),
      instructors: z.array(z.object({ id, name: z.string(), email: z.string() })),
    }),
  }),
  addCourseInstructor: defineEndpoint({
    ...paths.addCourseInstructor,
    access: 'instructor',
    summary: 'Lets another instructor write a course and see its classes.',
    params: z.strictObject({ course: id }),
    body: z.strictObject({ email }),
    answer: nothing,
  }),
  removeCourseInstructor: defineEndpoint({
    ...paths.removeCourseInstructor,
    access: 'instructor',
    summary: 'Takes that back. One can leave a course oneself.',
    params: z.strictObject({ course: id, instructor: id }),
    body: nothing,
    answer: nothing,
  }),
  handOverCourse: defineEndpoint({
    ...paths.handOverCourse,
    access: 'instructor',
    summary: 'Gives a course with its lessons and classes to another instructor.',
    params: z.strictObject({ course: id }),
    body: z.strictObject({ email, stay: z.boolean() }),
    answer: nothing,
  }),
  handOverLesson: defineEndpoint({
    ...paths.handOverLesson,
    access: 'instructor',
    summary: 'Gives a lesson to another instructor, who gets it in a course of the same title.',
    params: z.strictObject({ lesson: id }),
    body: z.strictObject({ email }),
    answer: nothing,
  }),
} as const;
