import '../src/figure/allMathematics.js';
import { coreSentences } from '../src/told/coreSentences.js';
import { wordMessagesBy } from '../src/told/told.js';

// Tests read what errors say in English.
wordMessagesBy(coreSentences);
