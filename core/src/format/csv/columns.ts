/** The columns of every row; a cell that does not count for its kind of row is empty. */
export const columns = [
  'curve',
  'kind',
  'index',
  'x',
  'y',
  'z',
  'weight',
  'value',
  'degree',
  'closed',
  'length',
  'speed',
  'curvature',
] as const;

export type Column = (typeof columns)[number];

/** A row has further cells for the tracks of the rail. */
export type Row = Partial<Record<Column, string | number>> & Readonly<Record<string, string | number>>;
