import type { EditedDocument } from './editedDocument.js';

/** Whether what is seen of a document is done, or the preview of what is in the hand. */
export function motionOf<Document, Command>({ store }: EditedDocument<Document, Command>): 'rest' | 'hand' {
  const { shown, history } = store.getState();
  return shown === history.document ? 'rest' : 'hand';
}
