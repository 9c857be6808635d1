import Box from '@mui/material/Box';
import { useMutation, useQuery } from '@tanstack/react-query';
import { type ReactNode, useEffect } from 'react';
import { api, type TableLoad, unwrap } from '@/api/client';
import { FindingList } from '@/ui/FindingList';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { loadQuery } from './queries';

interface Props {
  load: string;
  onDone?: (offered: string) => void;
  /** Wrong cells that were told before; whoever has more of them is to see them. */
  expected?: number;
  /** What is to be said once it has ended. */
  children: (ended: TableLoad) => ReactNode;
}

/** Rows on their way: how many are there, and what came of it. */
export function Loading({ load, onDone, expected = 0, children }: Props) {
  const { data, error } = useQuery(loadQuery(load));
  const stopping = useMutation({
    mutationFn: () =>
      unwrap(api.DELETE('/api/tables/loads/{load}', { params: { path: { load } } })),
  });
  const offered = data?.state === 'DONE' && data.wrongCells <= expected ? data.offered : undefined;
  useEffect(() => {
    if (offered) onDone?.(offered);
  }, [offered, onDone]);
  if (error) return <Problem error={error} />;
  if (!data || data.state === 'RUNNING') {
    return (
      <Waiting
        what={`${(data?.rows ?? 0).toLocaleString()} rows are in`}
        onStop={() => {
          stopping.mutate();
        }}
      />
    );
  }
  return (
    <Box>
      <FindingList findings={data.findings} label="Why it was not done" />
      {data.state === 'STOPPED' && <p>It was stopped; nothing was changed.</p>}
      {children(data)}
    </Box>
  );
}
