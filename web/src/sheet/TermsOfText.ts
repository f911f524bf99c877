import type { ProseNode } from '@bogen/core/lesson';
import { createContext, type ReactNode } from 'react';

/** How the terms in a text are shown so that they can be asked; nothing until the glossary is here. */
export const TermsOfText = createContext<((node: ProseNode) => ReactNode | undefined) | null>(null);
