import { parse } from 'papaparse';

/** A list of names as it was pasted or read from a file: a table of at least one column. */
export interface Roster {
  /** What stands above the columns, where the first row looks like that; else `undefined`. */
  readonly heads: readonly string[] | undefined;
  readonly rows: readonly (readonly string[])[];
  readonly width: number;
}

/** Words that stand above a column of names and are no name, in the languages of schools that may use this. */
const headWords =
  /^(#|no\.?|nr\.?|id|name|names|student|first ?name|last ?name|surname|family ?name|given ?name|full ?name|e-?mail|address|class|group|vorname|nachname|nombre|apellidos?)$/i;

/** Reads a table or a plain list; whatever separates the columns. @returns `undefined` where there is nothing in it */
export function readRoster(text: string): Roster | undefined {
  const { data } = parse<string[]>(text.replace(/^\ufeff/, '').replace(/\r\n?/g, '\n'), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t', '|'],
  });
  const rows = data.map((row) => row.map((cell) => cell.replace(/\s+/g, ' ').trim()));
  const width = Math.max(0, ...rows.map((row) => row.length));
  if (width === 0) return undefined;
  const isHead = rows[0]!.every((cell) => cell === '' || headWords.test(cell));
  return isHead ? { heads: rows[0], rows: rows.slice(1), width } : { heads: undefined, rows, width };
}

/** Which columns make a name, as one can choose: each that has letters, and each two neighbours, either way round. */
export function nameChoices({ rows, width }: Roster): readonly (readonly number[])[] {
  const hasNames = (column: number): boolean => rows.some((row) => /\p{Letter}/u.test(row[column] ?? ''));
  const single = Array.from({ length: width }, (_, column) => column).filter(hasNames);
  const pairs = single.slice(1).flatMap((column, index) => [
    [single[index]!, column],
    [column, single[index]!],
  ]);
  return [...single.map((column) => [column]), ...pairs];
}

/** The columns that most likely are the names, by what stands above them. */
export function likelyNames(roster: Roster): readonly number[] {
  const choices = nameChoices(roster);
  const find = (words: RegExp): number => roster.heads?.findIndex((head) => words.test(head)) ?? -1;
  const whole = find(/^(full ?name|names?|student)$/i);
  const [first, last] = [
    find(/^(first|given) ?name$|^vorname$|^nombre$/i),
    find(/^(last|family) ?name$|^surname$|^nachname$|^apellidos?$/i),
  ];
  if (first >= 0 && last >= 0) return [first, last];
  return whole >= 0 ? [whole] : (choices[0] ?? [0]);
}

/** The names of a list, of the chosen columns. */
export const namesOf = ({ rows }: Roster, columns: readonly number[]): readonly string[] =>
  rows
    .map((row) =>
      columns
        .map((column) => row[column] ?? '')
        .join(' ')
        .trim(),
    )
    .filter((name) => name !== '');
