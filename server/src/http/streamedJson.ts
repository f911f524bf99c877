/**
 * JSON piece by piece, of a value whose lists may be async iterables: what would be too much to hold at once is read
 * and sent row by row.
 */
export async function* streamedJson(value: unknown): AsyncGenerator<string> {
  if (isAsync(value)) {
    yield '[';
    let isFirst = true;
    for await (const item of value) {
      if (!isFirst) yield ',\n';
      isFirst = false;
      yield* streamedJson(item);
    }
    yield ']';
  } else if (isPlain(value) && Object.values(value).some((part) => isAsync(part))) {
    let before = '{';
    for (const [key, part] of Object.entries(value)) {
      yield `${before}${JSON.stringify(key)}:`;
      yield* streamedJson(part);
      before = ',';
    }
    yield '}';
  } else yield JSON.stringify(value ?? null);
}

const isPlain = (value: unknown): value is object => typeof value === 'object' && value !== null;
const isAsync = (value: unknown): value is AsyncIterable<unknown> =>
  isPlain(value) && Symbol.asyncIterator in value;
