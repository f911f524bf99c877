import type { FigureDocument } from '@bogen/core/figure';

/** What the window that presents tells the window with the notes. */
export interface Shown {
  readonly sheet: string;
  readonly title: string;
  readonly number: number;
  readonly count: number;
  readonly caption: string;
  readonly notes: string;
  /** What comes next; nothing at the end. */
  readonly next: { readonly caption: string; readonly figure: FigureDocument } | null;
}

type Message =
  | { readonly kind: 'shown'; readonly shown: Shown }
  | { readonly kind: 'step'; readonly by: 1 | -1 }
  | { readonly kind: 'ask' };

/** The two windows of one browser that belong to a lesson that is presented. */
export class PresentChannel {
  private readonly channel: BroadcastChannel;

  constructor(lesson: string) {
    this.channel = new BroadcastChannel(`bogen-present:${lesson}`);
  }

  private tell(message: Message): void {
    this.channel.postMessage(message);
  }

  readonly show = (shown: Shown): void => this.tell({ kind: 'shown', shown });
  readonly step = (by: 1 | -1): void => this.tell({ kind: 'step', by });
  /** Asks what is shown, for a window that has just come. */
  readonly ask = (): void => this.tell({ kind: 'ask' });

  /** Listens to the other window. @returns how to stop */
  listen(on: {
    readonly shown?: (shown: Shown) => void;
    readonly step?: (by: 1 | -1) => void;
    readonly ask?: () => void;
  }): () => void {
    this.channel.onmessage = ({ data }: MessageEvent<Message>) => {
      if (data.kind === 'shown') on.shown?.(data.shown);
      else if (data.kind === 'step') on.step?.(data.by);
      else on.ask?.();
    };
    return () => (this.channel.onmessage = null);
  }

  readonly close = (): void => this.channel.close();
}
