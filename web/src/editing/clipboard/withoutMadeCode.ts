import { z } from 'zod';

// The content security policy forbids making code from text, which Zod would otherwise try as soon as a schema is
// made. Whoever makes or imports schemas imports this first.
z.config({ jitless: true });
