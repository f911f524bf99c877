import { railHand } from './en/railHand.js';
import { addTexts } from './catalogue.js';

/** The English texts of what the rail is pulled and arranged with. */
const hand = { railHand };

export type RailTexts = typeof hand;

addTexts('en', hand);
