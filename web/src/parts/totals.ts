import type { TotalView } from '@/api/client';

/** What can be said of a column as a whole, as people read it. */
export const TOTALS: Record<TotalView['total'], string> = {
  SUM: 'sum',
  MEAN: 'mean',
  LEAST: 'least',
  MOST: 'most',
  COUNT: 'how many',
};
