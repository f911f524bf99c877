import type { FigureCommand, FigureDocument } from '@bogen/core/figure';
import { CommandError, type Told } from '@bogen/core/lesson';
import type { FigureHost } from './host.js';

/**
 * What a command passes between the hand and the document: it is given on as it is, or changed, or refused by a
 * CommandError.
 * @param now the figure on which it is given
 */
export type Pass = (command: FigureCommand, now: FigureDocument) => FigureCommand;

/** Where commands end: what is seen of a document, and what is done to it. */
export interface Ending extends Pick<FigureHost, 'read' | 'subscribe' | 'motion' | 'preview' | 'do'> {
  /** The document without what is only previewed. */
  readonly now: () => FigureDocument;
}

/**
 * The host of a figure whose commands pass what is in a list, in its order, before they are shown or done.
 * @param offers what else the host can do
 */
export function hostThrough(
  { now, ...ending }: Ending,
  passes: readonly Pass[],
  offers: Omit<FigureHost, keyof Ending>,
): FigureHost {
  const through: Pass = (command, document) => passes.reduce((given, pass) => pass(given, document), command);
  return {
    ...offers,
    ...ending,
    preview: (command) => ending.preview(command && through(command, now())),
    do: (command) => ending.do(through(command, now())),
  };
}

/**
 * The same host, where whoever is here is told why a command was refused.
 * @param refuse told why, and `null` when a command was done
 */
export function tellingWhy(host: FigureHost, refuse: (why: Told | null) => void): FigureHost {
  return {
    ...host,
    do: (command) => {
      try {
        host.do(command);
      } catch (error) {
        if (error instanceof CommandError) refuse(error.told);
        throw error;
      }
      refuse(null);
    },
  };
}
