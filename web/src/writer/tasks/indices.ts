/** Numbers of points as they are written: three or more in a row by the first and the last of them. */
export function indicesText(indices: readonly number[], first: number): string {
  const runs: [from: number, to: number][] = [];
  for (const index of [...new Set(indices)].sort((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last && last[1] === index - 1) last[1] = index;
    else runs.push([index, index]);
  }
  return runs
    .flatMap(([from, to]) =>
      to - from >= 2
        ? [`${from + first}–${to + first}`]
        : Array.from({ length: to - from + 1 }, (_, k) => String(from + k + first)),
    )
    .join(', ');
}

/**
 * Reads numbers of points, such as "0, 2-5".
 * @param first what the first point is counted as
 * @param count how many points there are
 * @returns ascending, each once; nothing where something else stands there, or a number that no point has
 */
export function readIndices(text: string, first: number, count: number): readonly number[] | undefined {
  const found = new Set<number>();
  for (const part of text.split(/[,;\s]+(?![-–])(?<![-–]\s*)/).filter(Boolean)) {
    const run = /^(\d{1,6})(?:\s*[-–]\s*(\d{1,6}))?$/.exec(part);
    if (!run) return undefined;
    const from = Number(run[1]) - first;
    const to = run[2] === undefined ? from : Number(run[2]) - first;
    if (from < 0 || to < from || to >= count) return undefined;
    for (let index = from; index <= to; index++) found.add(index);
  }
  return [...found].sort((a, b) => a - b);
}
