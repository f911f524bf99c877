import { createContext, useContext } from 'react';
import type { FigureScene } from '../figure/scene/scene.js';

/** The figure beside a text: its numbers stand in the text, and words of the text point into it. */
export const FigureOfText = createContext<FigureScene | null>(null);

export const useFigureOfText = (): FigureScene | null => useContext(FigureOfText);
