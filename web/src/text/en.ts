import type { AloneTexts } from './enAlone.js';
import type { BenchTexts } from './enBench.js';
import type { EditingTexts } from './enEditing.js';
import type { GlossaryTexts } from './enGlossary.js';
import type { HandoutTexts } from './enHandout.js';
import type { LiveTexts } from './enLive.js';
import type { PagesTexts } from './enPages.js';
import type { PresentTexts } from './enPresent.js';
import type { RailTexts } from './enRail.js';
import type { TaskTexts } from './enTask.js';
import { app } from './en/app.js';
import { facts } from './en/facts.js';
import { failed } from './en/failed.js';
import { figure } from './en/figure.js';
import { grips } from './en/grips.js';
import { rail } from './en/rail.js';
import { reader } from './en/reader.js';
import { save } from './en/save.js';
import { sheet } from './en/sheet.js';
import { stages } from './en/stages.js';
import { ui } from './en/ui.js';

/** The English texts that a reader's first screen may show, a file for each feature. Other languages are objects of the same shape. */
export const en = {
  app,
  facts,
  failed,
  figure,
  grips,
  rail,
  reader,
  save,
  sheet,
  stages,
  ui,
};

export type Texts = typeof en &
  AloneTexts &
  BenchTexts &
  EditingTexts &
  GlossaryTexts &
  HandoutTexts &
  LiveTexts &
  PagesTexts &
  PresentTexts &
  RailTexts &
  TaskTexts;
