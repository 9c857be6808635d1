import Box from '@mui/material/Box';
import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';

interface Props<T> {
  query: UseQueryResult<T>;
  what: string;
  children: (data: T) => ReactNode;
}

/** Something from the server: why it cannot be had, that it is on its way, or the thing itself. */
export function Fetched<T>({ query, what, children }: Props<T>) {
  if (query.error) {
    return (
      <Box sx={{ p: 2.5 }}>
        <Problem error={query.error} onRetry={() => void query.refetch()} />
      </Box>
    );
  }
  if (query.data === undefined) {
    return (
      <Box sx={{ p: 2.5 }}>
        <Waiting what={what} />
      </Box>
    );
  }
  return children(query.data);
}
