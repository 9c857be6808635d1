import type { CalledService } from '@/api/client';

/** The environment of each service, by service; nothing is the address of its description. */
export type Where = Record<string, string>;

/** Where the services of a version are called. */
export const whereCalled = (called: CalledService[]): Where =>
  Object.fromEntries(called.map(({ service, environment }) => [service, environment]));
