import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import type { AppEdit, AppView, Bench, PageCall } from '@/api/client';
import { sheetQuery } from '@/api/queries';
import type { Picked } from '@/parts/model';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { CallSheet } from './CallSheet';

interface Props {
  view: AppView;
  page: string;
  bench: Bench;
  call: PageCall;
  picked: Picked | undefined;
  onPick: (picked: Picked) => void;
  onEdit: (edit: AppEdit) => void;
  /** Folds the sheet away, where there are others. */
  onFold?: (() => void) | undefined;
}

/** The field sheet of one call; when it cannot be had, the others stay. */
export function CallPlace({ view, page, bench, call, picked, onPick, onEdit, onFold }: Props) {
  const { data, error, refetch } = useQuery(sheetQuery(view.id, page, call.id, view.version));
  if (error) {
    return (
      <Box sx={{ p: 2 }}>
        <Problem error={error} onRetry={() => void refetch()} />
        <Button
          onClick={() => {
            onEdit({ kind: 'removeCall', page, call: call.id });
          }}
        >
          Remove this call from the page
        </Button>
      </Box>
    );
  }
  if (!data) return <Waiting what="Fetching the fields" />;
  return (
    <CallSheet
      app={view.id}
      page={page}
      bench={bench}
      call={call}
      operation={data}
      picked={picked}
      onPick={onPick}
      onEdit={onEdit}
      onFold={onFold}
    />
  );
}
