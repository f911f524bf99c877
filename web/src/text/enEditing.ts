import { apart } from './en/apart.js';
import { calculation } from './en/calculation.js';
import { capture } from './en/capture.js';
import { change } from './en/change.js';
import { compare } from './en/compare.js';
import { conflict } from './en/conflict.js';
import { construction } from './en/construction.js';
import { details } from './en/details.js';
import { draw } from './en/draw.js';
import { exchange } from './en/exchange.js';
import { freedoms } from './en/freedoms.js';
import { items } from './en/items.js';
import { joints } from './en/joints.js';
import { keys } from './en/keys.js';
import { lessonHistory } from './en/lessonHistory.js';
import { lists } from './en/lists.js';
import { look } from './en/look.js';
import { operations } from './en/operations.js';
import { picture } from './en/picture.js';
import { pins } from './en/pins.js';
import { prose } from './en/prose.js';
import { select } from './en/select.js';
import { stageEditor } from './en/stageEditor.js';
import { starts, startSheets } from './en/starts.js';
import { table } from './en/table.js';
import { task } from './en/task.js';
import { writer } from './en/writer.js';
import { addTexts } from './catalogue.js';

/** The English texts of what a figure is drawn and changed with. A reader's first screen comes without them. */
const editing = {
  apart,
  calculation,
  capture,
  change,
  compare,
  conflict,
  construction,
  details,
  draw,
  exchange,
  freedoms,
  items,
  joints,
  keys,
  lessonHistory,
  lists,
  look,
  operations,
  picture,
  pins,
  prose,
  select,
  stageEditor,
  starts,
  table,
  task,
  writer,
};

export type EditingTexts = typeof editing;

addTexts('en', { ...editing, startSheets });
