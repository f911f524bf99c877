// A thread does not inherit the translation of TypeScript from the process that starts it.
import { register } from 'tsx/esm/api';

register();
await import('./limitedMemory.ts');
