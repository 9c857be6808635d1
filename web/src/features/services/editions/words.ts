import type { Difference } from '@/api/client';

export const HARM_WORDS: Record<Difference['harm'], string> = {
  BREAKS: 'breaks',
  MAY_BREAK: 'may break',
  ADDS: 'adds',
};

export const HARM_COLOURS: Record<Difference['harm'], string> = {
  BREAKS: 'error.main',
  MAY_BREAK: 'warning.main',
  ADDS: 'text.secondary',
};

export const WHAT: Record<Difference['what'], string> = {
  REMOVED: 'gone',
  ADDED: 'new',
  RENAMED: 'another name or place',
  TYPE: 'another type',
  CODES: 'other codes',
  LIMITS: 'other limits',
  REQUIRED: 'needed or not',
  REPEATED: 'one or several',
  DOCUMENTATION: 'described otherwise',
  ADDRESS: 'another address',
};
