/**
 * What one request may hold. Browser and server read the same numbers: the browser cuts its batches by them,
 * and the server refuses what is larger. They stand apart from the schemas, as the addresses do.
 */
export const batchLimits = {
  /** Steps in one request. */
  steps: 200,
  /** Commands in one request, those inside batches counted one by one. */
  commands: 3000,
  /** Bytes of the steps of one request, as JSON in UTF-8. */
  bytes: 2_000_000,
};

/** Bytes of a request's body: what anyone may send, what is sent signed in, a whole lesson, a picture in base 64, and a lesson with its pictures. */
export const bodyLimits = {
  anyone: 10_000,
  signedIn: 2_200_000,
  lesson: 4_000_000,
  picture: 14_000_000,
  lessonFile: 28_000_000,
  workFile: 8_000_000,
};

/** Bytes of all pictures of a lesson that is given out as a file, and how many they may be. */
export const lessonFileLimits = { pictureBytes: 17_000_000, pictures: 60 };

/** What a file with somebody's work on a lesson may hold. */
export const workFileLimits = { works: 400, steps: 10_000 };

/** For how many days what was deleted can be brought back. */
export const daysKept = 30;

/** Bytes of a whole stored document, as JSON in UTF-8. */
export const documentLimit = 4_000_000;

/** The largest number that a revision, an edition or a step can have, as the database keeps it. */
export const mostCounted = 2_147_483_647;

/** How deep arrays and objects of a body may be nested. */
export const nestingLimit = 100;

/** How many figures a bench has room for. */
export const benchLimit = 100;

/** How many terms of its own a course can have. */
export const termLimit = 200;

/** Signs of a password. */
export const passwordLimits = { least: 10, most: 200 };

/** How many students can be put on the list of a class in one go, and how many a class can have. */
export const rosterLimits = { atOnce: 500, most: 1000 };
