import type { EditingTexts } from './enEditing.js';
import { app } from './en/app.js';
import { desk } from './en/desk.js';
import { facts } from './en/facts.js';
import { failed } from './en/failed.js';
import { figure } from './en/figure.js';
import { picture } from './en/picture.js';
import { rail } from './en/rail.js';
import { reader } from './en/reader.js';
import { save } from './en/save.js';
import { select } from './en/select.js';
import { session } from './en/session.js';
import { sheet } from './en/sheet.js';
import { shelf } from './en/shelf.js';
import { table } from './en/table.js';
import { ui } from './en/ui.js';
import { writer } from './en/writer.js';

/** The English texts that every page may show, a file for each feature. Other languages are objects of the same shape. */
export const en = {
  app,
  desk,
  facts,
  failed,
  figure,
  picture,
  rail,
  reader,
  save,
  select,
  session,
  sheet,
  shelf,
  table,
  ui,
  writer,
};

export type Texts = typeof en & EditingTexts;
