const seconds = (value) => `${value.toFixed(value < 10 ? 1 : 0)} s`.padStart(8);
const slowest = (list) => [...list].sort((a, b) => b.seconds - a.seconds).slice(0, 20);

/** The time of each job and the slowest files and tests, so that whoever reads the end of a run sees what has grown. */
export function timesOf(jobs, tests) {
  const files = new Map();
  for (const { file, seconds: time } of tests) files.set(file, (files.get(file) ?? 0) + time);
  const counts = new Map();
  for (const { file } of tests) counts.set(file, (counts.get(file) ?? 0) + 1);
  return [
    '\n── the time of each part',
    ...jobs.map(({ name, seconds: time }) => `${seconds(time)}  ${name}`),
    ...(tests.length === 0
      ? []
      : [
          '\n── the slowest files',
          ...slowest([...files].map(([file, time]) => ({ file, seconds: time }))).map(
            ({ file, seconds: time }) => `${seconds(time)}  ${file} (${counts.get(file)} tests)`,
          ),
          '\n── the slowest tests',
          ...slowest(tests).map(({ file, name, seconds: time }) => `${seconds(time)}  ${file}: ${name}`),
        ]),
  ].join('\n');
}

/** The failed tests, each with the beginning of what it says. */
export const failuresOf = (tests) =>
  tests
    .filter(({ status }) => status === 'failed')
    .map(({ file, name, message }) => `\n✗ ${file}: ${name}\n  ${message}`)
    .join('\n');

/** The tests that passed only the second time, which is a fault to be found. */
export const secondTimesOf = (tests) =>
  tests
    .filter(({ isSecondTime }) => isSecondTime)
    .map(({ file, name }) => `\n! passed only the second time: ${file}: ${name}`)
    .join('');
