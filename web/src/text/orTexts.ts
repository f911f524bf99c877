/** Texts by their keys, any of which can have another for lessons that write orders instead of degrees. */
export type OrTexts<Keys extends PropertyKey> = Readonly<Record<Keys, string>> &
  Partial<Readonly<Record<`${Keys & string}_order`, string>>>;
