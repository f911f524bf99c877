/** Reads a number or an expression such as sqrt(2)/2 or 3*cos(30 deg). */
export type ExpressionReader = (text: string) => number | undefined;

/** The reader of expressions could not be fetched; plain numbers can be read all the same. */
export class ReaderAway extends Error {
  override readonly name = 'ReaderAway';
}

let reader: Promise<ExpressionReader> | undefined;

/**
 * The reader of expressions, loaded when it is first needed. It calculates with numbers and units of
 * angle only: nothing can be defined or called but functions of numbers.
 * @throws ReaderAway where it could not be fetched; the next call tries again
 */
export function expressionReader(): Promise<ExpressionReader> {
  reader ??= load().catch(() => {
    reader = undefined;
    throw new ReaderAway();
  });
  return reader;
}

async function load(): Promise<ExpressionReader> {
  const { evaluate } = await import('./calculator.js');
  return (text) => {
    if (text.length > 200 || /[=;\n[{]/.test(text)) return undefined;
    try {
      const value: unknown = evaluate(text);
      return typeof value === 'number' && Number.isFinite(value) ? value : undefined;
    } catch {
      return undefined;
    }
  };
}

/**
 * A typed number: plain, or an expression; `undefined` where it is neither.
 * @throws ReaderAway
 */
export async function readExpression(text: string): Promise<number | undefined> {
  const plain = text.trim() === '' ? NaN : Number(text);
  return Number.isFinite(plain) ? plain : (await expressionReader())(text);
}
